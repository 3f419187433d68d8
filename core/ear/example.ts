import { COUNT_LOG_ODDS } from './ear'
import { judge, shapeOf, type WhistleShape } from './judge'
import { createListener } from './listener'

export interface Example {
  /** Takes the next samples; the shape, as soon as a whistle was heard to begin and end in them. */
  push(samples: Float32Array): WhistleShape | null
}

/** Learns how this kitchen's whistle sounds from one that is alone to be heard; keeps no sound. */
export function createExample(sampleRate: number): Example {
  let bestLogOdds = COUNT_LOG_ODDS
  let shape: WhistleShape | null = null
  const { push } = createListener(sampleRate, {
    onBurst: (burst) => {
      const logOdds = judge(burst, null)
      if (logOdds < bestLogOdds) return
      bestLogOdds = logOdds
      shape = shapeOf(burst)
    },
  })
  return {
    push(samples) {
      push(samples)
      return shape
    },
  }
}
