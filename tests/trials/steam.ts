import { randomFrom } from '../../core/live/random'

/**
 * A whistle of another make than core/live/whistle-sound: noise that drives two resonances (state-variable filters)
 * which sink while the pressure falls, in a room of eight echoes that go on for half a second after it. The same seed
 * is the same pot. Figures are engineering estimates.
 */
export function steamWhistle(seed: number, seconds: number, sampleRate: number): Float32Array {
  const random = randomFrom(seed)
  const draw = (least: number, most: number) => least + (most - least) * random()
  const modes = [draw(1900, 3400), draw(3600, 5600)].map((hz) => ({ hz, damping: draw(0.03, 0.15), low: 0, band: 0 }))
  const sinks = draw(0.05, 0.2)
  const echoes = Array.from({ length: 8 }, () => ({
    by: Math.round(draw(0.01, 0.12) * sampleRate),
    gain: draw(0.1, 0.27),
  }))
  const rises = draw(0.06, 0.3)
  const dry = Math.round(seconds * sampleRate)
  const out = new Float32Array(dry + Math.round(0.5 * sampleRate))
  for (let i = 0; i < dry; i++) {
    const t = i / sampleRate
    const steam = 2 * random() - 1
    const pressure = Math.min(1, t / rises) * Math.min(1, (seconds - t) / 0.3)
    for (const mode of modes) {
      const f = 2 * Math.sin((Math.PI * mode.hz * (1 - (sinks * t) / seconds)) / sampleRate)
      mode.low += f * mode.band
      mode.band += f * (steam - mode.low - mode.damping * mode.band)
      out[i] = out[i]! + pressure * mode.damping * mode.band
    }
  }
  for (const { by, gain } of echoes) for (let i = out.length - 1; i >= by; i--) out[i] = out[i]! + gain * out[i - by]!
  return out
}
