import { describe, expect, it } from 'vitest'
import wavefile from 'wavefile'
import { readWav } from './wav'

const SAMPLES = [0, 0.5, -0.5, 0.25]

function wav(channels: number[][], { rate = 16_000, depth = '16' } = {}): Uint8Array {
  const most = depth === '32f' ? 1 : 2 ** (Number(depth) - 1) - 1
  const scaled = channels.map((samples) => samples.map((x) => (depth === '8' ? 128 + x * 127 : x * most)))
  const file = new wavefile.WaveFile()
  file.fromScratch(channels.length, rate, depth, scaled.length === 1 ? scaled[0]! : scaled)
  return file.toBuffer()
}

const codeOf = (bytes: Uint8Array) => {
  const read = readWav(bytes)
  return read.ok ? null : read.problems[0]!.code
}

describe('a WAV file', () => {
  it.each(['8', '16', '24', '32', '32f'])('is read at %s bits', (depth) => {
    const read = readWav(wav([SAMPLES], { depth }))
    if (!read.ok) throw new TypeError(read.problems[0]!.code)
    expect(read.value.sampleRateHz).toBe(16_000)
    SAMPLES.forEach((sample, i) => expect(read.value.samples[i]).toBeCloseTo(sample, depth === '8' ? 1 : 3))
  })

  it('is heard as one channel where it has two', () => {
    const read = readWav(wav([SAMPLES, [0.5, 0.5, 0.5, -0.25]]))
    if (!read.ok) throw new TypeError(read.problems[0]!.code)
    expect(Array.from(read.value.samples, (x) => Math.round(x * 100) / 100)).toEqual([0.25, 0.5, 0, 0])
  })

  it('is refused with its reason where it cannot be heard', () => {
    expect(codeOf(wav([SAMPLES], { rate: 4000 }))).toBe('sound-rate')
    expect(codeOf(wav([SAMPLES], { rate: 96_000 }))).toBe('sound-rate')
    expect(codeOf(wav([SAMPLES, SAMPLES, SAMPLES]))).toBe('sound-channels')
    expect(codeOf(wav([[]]))).toBe('sound-empty')
    expect(codeOf(new Uint8Array(0))).toBe('sound-unreadable')
    expect(codeOf(new TextEncoder().encode('RIFF and then something else entirely'))).toBe('sound-unreadable')
    const packed = new wavefile.WaveFile(wav([SAMPLES.concat(SAMPLES)], { rate: 8000 }))
    packed.toALaw()
    expect(codeOf(packed.toBuffer())).toBe('sound-unreadable')
  })

  it('is read as far as it goes where it was cut off', () => {
    const whole = wav([Array.from({ length: 100 }, () => 0.5)])
    const read = readWav(whole.subarray(0, whole.length - 60))
    if (!read.ok) throw new TypeError(read.problems[0]!.code)
    expect(read.value.samples).toHaveLength(70)
  })

  it('never throws, whatever stands in its head', () => {
    const whole = wav([SAMPLES])
    for (let at = 0; at < 44; at++)
      for (const byte of [0, 1, 127, 255]) {
        const broken = Uint8Array.from(whole)
        broken[at] = byte
        expect(() => readWav(broken)).not.toThrow()
      }
  })
})
