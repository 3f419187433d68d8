import { createEar, shapeOfExample, type WhistleShape } from '../../core/live/ear'
import { whistleSound, type WhistleKind } from '../../core/live/whistle-sound'
import { kitchenScene, KITCHEN_SOUNDS, type KitchenSound, type Scene } from './sounds'

/** How well the ear did over some scenes. */
export interface EarScore {
  whistles: number
  heard: number
  /** Heard, and a whistle. */
  right: number
  precision: number
  recall: number
}

/** The ear is right if what it heard and a whistle overlap, each whistle once. */
export function hearScene(
  scene: Scene,
  shape: WhistleShape | null = null,
): Pick<EarScore, 'whistles' | 'heard' | 'right'> {
  const ear = createEar(scene.sampleRate, shape)
  const heard = []
  const block = 128
  for (let at = 0; at < scene.samples.length; at += block)
    heard.push(...ear.push(scene.samples.subarray(at, at + block)))
  const left = [...scene.whistles]
  let right = 0
  for (const { fromS, toS } of heard) {
    const i = left.findIndex((whistle) => fromS < whistle.toS + 0.3 && toS > whistle.fromS - 0.3)
    if (i < 0) continue
    left.splice(i, 1)
    right++
  }
  return { whistles: scene.whistles.length, heard: heard.length, right }
}

/** Scores over minutes of each noise with each kind of whistle, at one loudness of the whistle over the noise. */
export function earScore(
  snrDb: number,
  {
    noises = KITCHEN_SOUNDS,
    calibrated = false,
    scenes = 3,
  }: { noises?: readonly KitchenSound[]; calibrated?: boolean; scenes?: number } = {},
): EarScore {
  const total = { whistles: 0, heard: 0, right: 0 }
  for (const noise of noises)
    for (const kind of ['broad', 'tonal'] as WhistleKind[])
      for (let i = 0; i < scenes; i++) {
        const seed = 1000 + 100 * KITCHEN_SOUNDS.indexOf(noise) + 10 * i + (kind === 'tonal' ? 1 : 0)
        const scene = kitchenScene({ seconds: 60, snrDb, noises: [noise], kind }, seed)
        const shape = calibrated ? exampleOf(kind, seed) : null
        const score = hearScene(scene, shape)
        total.whistles += score.whistles
        total.heard += score.heard
        total.right += score.right
      }
  return {
    ...total,
    precision: total.right / Math.max(1, total.heard),
    recall: total.right / Math.max(1, total.whistles),
  }
}

/** One whistle in a quiet kitchen, as the cook records it for the ear. */
function exampleOf(kind: WhistleKind, seed: number): WhistleShape | null {
  const sampleRate = 16_000
  const sound = whistleSound(kind, 3, sampleRate, seed * 97)
  const quiet = new Float32Array(sound.length + 2 * sampleRate)
  quiet.set(sound, sampleRate)
  return shapeOfExample(quiet, sampleRate)
}
