import { randomFrom } from './random'

/** How a weight sounds: steam through a small hole, or a tone where it sings. */
export type WhistleKind = 'broad' | 'tonal'

/** White noise of unit power. */
export const white = (random: () => number) => (random() - 0.5) * Math.sqrt(12)

/** Second-order band-pass or low-pass over noise (RBJ cookbook form). */
export function filter(kind: 'low' | 'band' | 'high', hz: number, q: number, sampleRate: number) {
  const w = (2 * Math.PI * Math.min(hz, sampleRate * 0.45)) / sampleRate
  const alpha = Math.sin(w) / (2 * q)
  const cos = Math.cos(w)
  const a0 = 1 + alpha
  const b =
    kind === 'low'
      ? [(1 - cos) / 2, 1 - cos, (1 - cos) / 2]
      : kind === 'high'
        ? [(1 + cos) / 2, -(1 + cos), (1 + cos) / 2]
        : [alpha, 0, -alpha]
  let [x1, x2, y1, y2] = [0, 0, 0, 0]
  return (x: number) => {
    const y = (b[0]! * x + b[1]! * x1 + b[2]! * x2 + 2 * cos * y1 - (1 - alpha) * y2) / a0
    ;[x2, x1, y2, y1] = [x1, x, y1, y]
    return y
  }
}

/** One whistle: steam through a small hole, with the weight rattling, and a tone where the weight sings. */
export function whistleSound(kind: WhistleKind, seconds: number, sampleRate: number, seed: number): Float32Array {
  const random = randomFrom(seed)
  const low = filter('high', 1700 + 500 * random(), 0.8, sampleRate)
  const high = filter('low', 7500 + 1500 * random(), 0.8, sampleRate)
  const toneHz = 2200 + 2200 * random()
  const rattleHz = 7 + 5 * random()
  let phase = 0
  return Float32Array.from({ length: Math.round(seconds * sampleRate) }, (_, i) => {
    const t = i / sampleRate
    const swell = Math.min(1, t / 0.2) * Math.min(1, (seconds - t) / 0.4)
    const rattle = 1 + 0.22 * Math.sin(2 * Math.PI * rattleHz * t)
    const hiss = high(low(white(random)))
    phase +=
      (2 * Math.PI * toneHz * (1 + 0.012 * Math.sin(2 * Math.PI * 5.3 * t) + 0.03 * Math.min(1, t / 0.5))) / sampleRate
    const tone = Math.sin(phase) + 0.35 * Math.sin(2 * phase)
    return 0.3 * swell * rattle * (kind === 'tonal' ? 0.35 * hiss + tone : hiss * 1.4)
  })
}
