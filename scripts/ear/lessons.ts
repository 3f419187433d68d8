// Listens to one part of the lessons and prints each burst, what it is like and whether it was a whistle (see fit.ts).
import { likeness, shapeOf, type WhistleShape } from '../../core/ear/judge'
import { createListener, type DescribedBurst } from '../../core/ear/listener'
import { FRAME_S } from '../../core/ear/spectrum'
import { lesson, type Lesson } from './school'
import type { Learnt } from './fit'

const [lessons, part, parts] = process.argv.slice(2).map(Number) as [number, number, number]
/** A burst is the whistle that it shares so much of both with. */
const SAME = 0.6
/** And surely none where it shares so little, or is far longer than the whistle that it holds. */
const SHARES_NOTHING = 0.3
const HOLDS_IT = 0.25
const INSIDE = 0.9

const round = (value: number) => Math.round(value * 1000) / 1000

for (let seed = part; seed < lessons; seed += parts) {
  const { samples, sampleRate, whistles, example } = lesson(seed)
  const shape = shapeOfExample(example, sampleRate)
  const isKnown = (frame: number) =>
    whistles.some(({ fromS, toS }) => frame * FRAME_S > fromS - 0.2 && frame * FRAME_S < toS + 0.2)
  const listener = createListener(sampleRate, {
    wasWhistle: isKnown,
    onBurst: (burst) => {
      const isWhistle = truthOf(burst, whistles)
      if (isWhistle === null) return
      const like = likeness(burst, shape)
      const learnt: Learnt = { lesson: seed, features: [...burst.features, like].map(round), isWhistle }
      process.stdout.write(JSON.stringify(learnt) + '\n')
    },
  })
  listener.push(samples)
}

/** Null where it cannot be said: a piece of a whistle, or one with something else. */
function truthOf(burst: DescribedBurst, whistles: Lesson['whistles']): boolean | null {
  const [from, to] = [burst.from * FRAME_S, burst.to * FRAME_S]
  let same = 0
  let inside = 0
  for (const { fromS, toS } of whistles) {
    const both = Math.min(toS, to) - Math.max(fromS, from)
    if (both <= 0) continue
    same = Math.max(same, both / (Math.max(toS, to) - Math.min(fromS, from)))
    inside = Math.max(inside, both / (to - from))
  }
  if (same > SAME) return true
  return inside < SHARES_NOTHING || (same < HOLDS_IT && inside < INSIDE) ? false : null
}

/** The rise that stands out most for longest. */
function shapeOfExample(example: Float32Array, sampleRate: number): WhistleShape {
  let best = 0
  let shape: WhistleShape = []
  const rise = 1
  createListener(sampleRate, {
    onBurst: (burst) => {
      const size = burst.features[rise]! * Math.min(1, ((burst.to - burst.from) * FRAME_S) / 1.5)
      if (size <= best) return
      best = size
      shape = shapeOf(burst)
    },
  }).push(example)
  return shape
}
