import { createEar, type HeardSound } from '../../core/ear/ear'
import { createExample } from '../../core/ear/example'
import type { WhistleShape } from '../../core/ear/judge'
import { randomFrom } from '../../core/live/random'
import { white } from '../../core/live/whistle-sound'
import {
  KITCHEN_SOUNDS,
  kitchenSound,
  powerOf,
  WHISTLE_MAKES,
  WHISTLES,
  whistlingIn,
  type KitchenSound,
  type Scene,
  type WhistleMake,
} from './sounds'

/** How well the ear did over some scenes. */
export interface EarScore {
  whistles: number
  heard: number
  /** Heard, and a whistle. */
  right: number
  precision: number
  recall: number
}

/** A microphone's samples come in blocks of this size. */
const BLOCK = 128
const QUIET_AFTER_S = 5

/** All sounds that the ear tells of. */
export function listenTo(
  { samples, sampleRate }: Pick<Scene, 'samples' | 'sampleRate'>,
  shape: WhistleShape | null = null,
): HeardSound[] {
  const ear = createEar(sampleRate, shape)
  const heard: HeardSound[] = []
  for (let at = 0; at < samples.length; at += BLOCK) heard.push(...ear.push(samples.subarray(at, at + BLOCK)))
  return [...heard, ...ear.push(new Float32Array(QUIET_AFTER_S * sampleRate))]
}

/** What it counted is right where that and a whistle overlap, each whistle once. */
export function hearScene(
  scene: Scene,
  shape: WhistleShape | null = null,
): Pick<EarScore, 'whistles' | 'heard' | 'right'> {
  const counted = listenTo(scene, shape).filter(({ isWhistle }) => isWhistle)
  const left = [...scene.whistles]
  for (const { fromS, toS } of counted) {
    const i = left.findIndex((whistle) => fromS < whistle.toS + 0.3 && toS > whistle.fromS - 0.3)
    if (i >= 0) left.splice(i, 1)
  }
  return { whistles: scene.whistles.length, heard: counted.length, right: scene.whistles.length - left.length }
}

/** Adds up the scores of some scenes. */
export function scoreOf(scores: readonly Pick<EarScore, 'whistles' | 'heard' | 'right'>[]): EarScore {
  const sum = (key: 'whistles' | 'heard' | 'right') => scores.reduce((total, one) => total + one[key], 0)
  const [whistles, heard, right] = [sum('whistles'), sum('heard'), sum('right')]
  return { whistles, heard, right, precision: right / Math.max(1, heard), recall: right / Math.max(1, whistles) }
}

/** Scores over minutes of our own noises with each make of whistle, at one loudness of the whistle over the noise. */
export function earScore(
  snrDb: number,
  {
    noises = KITCHEN_SOUNDS,
    makes = WHISTLE_MAKES,
    withExample = false,
    scenes = 1,
  }: { noises?: readonly KitchenSound[]; makes?: readonly WhistleMake[]; withExample?: boolean; scenes?: number } = {},
): EarScore {
  return scoreOf(
    noises.flatMap((noise) =>
      makes.flatMap((kind) => Array.from({ length: scenes }, (_, i) => sceneScore(noise, kind, i, snrDb, withExample))),
    ),
  )
}

const RATE_HZ = 16_000

/** A minute of a noise, made once: each score takes the same. */
const minuteOf = onceEach((noise: KitchenSound, which: number) =>
  kitchenSound(noise, 60, RATE_HZ, 1000 + 10 * which + noise.length),
)

/** A whistle of one pot, made once: it is the same whatever noise it stands out of. */
const whistleOf = onceEach((kind: WhistleMake, seed: number, seconds: number) => WHISTLES[kind](seed, seconds, RATE_HZ))

/** How the ear does in one scene, listened to once whoever asks. */
const sceneScore = onceEach(
  (noise: KitchenSound, kind: WhistleMake, which: number, snrDb: number, withExample: boolean) => {
    const seed = 1000 + 100 * KITCHEN_SOUNDS.indexOf(noise) + 10 * which + WHISTLE_MAKES.indexOf(kind)
    const scene = whistlingIn(
      minuteOf(noise, which),
      (_, seconds) => ({ sound: whistleOf(kind, seed * 97, seconds), seconds }),
      { snrDb, sampleRate: RATE_HZ },
      seed,
    )
    return hearScene(scene, withExample ? exampleOf(whistleOf(kind, seed * 97, 3)) : null)
  },
)

function onceEach<Args extends readonly (string | number | boolean)[], T>(work: (...args: Args) => T) {
  const done = new Map<string, T>()
  return (...args: Args): T => {
    const key = args.join(' ')
    if (!done.has(key)) done.set(key, work(...args))
    return done.get(key)!
  }
}

/** What the ear learns from one whistle in a quiet kitchen. */
export function exampleOf(whistle: Float32Array): WhistleShape | null {
  const example = new Float32Array(whistle.length + 3 * RATE_HZ)
  const gain = 0.1 / Math.sqrt(powerOf(whistle))
  const random = randomFrom(1)
  whistle.forEach((sample, i) => (example[i + 1.5 * RATE_HZ] = gain * sample))
  // No microphone is quite silent.
  for (let i = 0; i < example.length; i++) example[i] = example[i]! + 1e-4 * white(random)
  return createExample(RATE_HZ).push(example)
}
