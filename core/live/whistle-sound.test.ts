import { describe, expect, it } from 'vitest'
import { filter, white, whistleSound } from './whistle-sound'
import { randomFrom } from './random'

const RATE = 16_000
const rms = (samples: ArrayLike<number>) =>
  Math.sqrt(Array.from(samples).reduce((sum, one) => sum + one * one, 0) / samples.length)

/** What is left of a tone of 1 when it has gone through. */
function gain(kind: 'low' | 'band' | 'high', hz: number, q: number, toneHz: number) {
  const through = filter(kind, hz, q, RATE)
  const out = Array.from({ length: RATE }, (_, i) => through(Math.sin((2 * Math.PI * toneHz * i) / RATE)))
  return rms(out.slice(RATE / 2)) * Math.SQRT2
}

describe('a filter', () => {
  // At its own frequency a second-order one lets q of the amplitude through, a band-pass all of it.
  it.each([
    ['low', 200, 1],
    ['low', 1000, 0.8],
    ['low', 6000, 0],
    ['high', 100, 0],
    ['high', 1000, 0.8],
    ['high', 6000, 1],
    ['band', 100, 0.1],
    ['band', 1000, 1],
    ['band', 6000, 0.1],
  ] as const)('that is %s lets %i Hz through as it should', (kind, toneHz, expected) => {
    expect(Math.abs(gain(kind, 1000, 0.8, toneHz) - expected)).toBeLessThan(0.06)
  })

  it('is narrower the higher its q', () => {
    expect(gain('band', 1000, 4, 1500)).toBeLessThan(0.5 * gain('band', 1000, 0.5, 1500))
    expect(gain('band', 1000, 4, 1000)).toBeCloseTo(1, 1)
  })

  it('above what a sample rate can hold stays stable', () => {
    const through = filter('low', 20_000, 0.8, RATE)
    const random = randomFrom(1)
    expect(rms(Array.from({ length: RATE }, () => through(white(random))))).toBeLessThan(2)
  })
})

describe('the sound of a whistle', () => {
  it('is noise of unit power before anything is done to it', () => {
    const random = randomFrom(3)
    expect(rms(Array.from({ length: 20_000 }, () => white(random)))).toBeCloseTo(1, 1)
  })

  it.each(['broad', 'tonal'] as const)('swells, lasts and dies away (%s)', (kind) => {
    const sound = whistleSound(kind, 3, RATE, 5)
    expect(sound).toHaveLength(3 * RATE)
    const at = (from: number, to: number) => rms(sound.subarray(from * RATE, to * RATE))
    expect(at(0, 0.05)).toBeLessThan(0.5 * at(0.5, 2.5))
    expect(at(2.95, 3)).toBeLessThan(0.5 * at(0.5, 2.5))
    expect(Math.max(...sound.map(Math.abs))).toBeLessThan(1.5)
  })

  it('is the same for the same seed, and of another pitch for another', () => {
    expect(whistleSound('tonal', 1, RATE, 5)).toEqual(whistleSound('tonal', 1, RATE, 5))
    expect(whistleSound('tonal', 1, RATE, 5)).not.toEqual(whistleSound('tonal', 1, RATE, 6))
  })

  it('sings where the weight sings: most of its power is in one tone', () => {
    const inOneTone = (kind: 'broad' | 'tonal') => {
      const sound = whistleSound(kind, 2, RATE, 9).subarray(0.7 * RATE, 1.5 * RATE)
      const tones = Array.from({ length: 120 }, (_, i) => {
        const through = filter('band', 1500 + 30 * i, 20, RATE)
        return rms(Array.from(sound, through).slice(2000))
      })
      return Math.max(...tones) / rms(sound)
    }
    expect(inOneTone('tonal')).toBeGreaterThan(0.6)
    expect(inOneTone('broad')).toBeLessThan(0.5)
  })
})
