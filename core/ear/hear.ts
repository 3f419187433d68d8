import { createEar, type HeardSound } from './ear'
import { createExample } from './example'
import type { WhistleShape } from './judge'
import { FRAME_S } from './spectrum'

/** One channel of sound, −1 to 1. */
interface Samples {
  sampleRateHz: number
  samples: Float32Array
}

/** What the ear heard in a sound that is over. */
export interface HeardInSound {
  seconds: number
  /** Whether the whistle of the example was learnt; null without an example. */
  example: 'learnt' | 'nothing-heard' | null
  whistles: HeardTimes[]
  /** Sounds that may have been whistles: a cook is asked about them. */
  unsure: HeardTimes[]
  /** Stretches in which it said that it could not hear. */
  loud: { fromS: number; toS: number }[]
}

type HeardTimes = Pick<HeardSound, 'fromS' | 'toS' | 'sure'>

/** Quiet after the end, so that what ends with the sound is told too. */
const AFTER_S = 5

/** Listens to a whole sound as it would have been heard live; `example` is one whistle that is alone to be heard. */
export function hearSound({ sampleRateHz, samples }: Samples, example: Samples | null = null): HeardInSound {
  const shape = example && shapeOf(example)
  const ear = createEar(sampleRateHz, shape)
  const seconds = samples.length / sampleRateHz
  const heard: HeardSound[] = []
  const loud: HeardInSound['loud'] = []
  const step = Math.round(sampleRateHz * LOOK_EVERY_S)
  for (let at = 0; at < samples.length; at += step) {
    heard.push(...ear.push(samples.subarray(at, at + step)))
    if (!ear.level().noisy) continue
    const fromS = at / sampleRateHz
    const toS = Math.min(seconds, fromS + LOOK_EVERY_S)
    const last = loud.at(-1)
    if (last && last.toS >= fromS - FRAME_S) last.toS = round(toS)
    else loud.push({ fromS: round(fromS), toS: round(toS) })
  }
  heard.push(...ear.push(new Float32Array(sampleRateHz * AFTER_S)))
  const times = (isWhistle: boolean) =>
    heard
      .filter((one) => one.isWhistle === isWhistle)
      .sort((a, b) => a.fromS - b.fromS)
      .map(({ fromS, toS, sure }) => ({ fromS: round(fromS), toS: round(Math.min(toS, seconds)), sure: round(sure) }))
  return {
    seconds: round(seconds),
    example: example && (shape ? 'learnt' : 'nothing-heard'),
    whistles: times(true),
    unsure: times(false),
    loud,
  }
}

const LOOK_EVERY_S = 0.5

function shapeOf({ sampleRateHz, samples }: Samples): WhistleShape | null {
  const found = createExample(sampleRateHz).push(samples)
  if (found) return found
  // Cut close there is no quiet around the whistle: then the room is taken to be quiet before and after.
  const quiet = new Float32Array(Math.round(1.5 * sampleRateHz))
  const example = createExample(sampleRateHz)
  example.push(quiet)
  example.push(samples)
  return example.push(quiet)
}

const round = (value: number) => Math.round(value * 100) / 100
