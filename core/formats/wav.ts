import wavefile from 'wavefile'
import { failed, problem, type Outcome } from '../problem'

/** Sound in one channel, −1 to 1. */
export interface Sound {
  sampleRateHz: number
  samples: Float32Array
}

/** Bounds of what is read: an hour at 48 kHz in one channel, or half an hour in two. */
export const MOST_SOUND_BYTES = 360_000_000
export const SAMPLE_RATES_HZ = [8000, 48_000] as const

/**
 * Reads a WAV file: PCM of 8 to 32 bits or floats, one channel or two, which are heard as one. The library finds its
 * way about the file; its own way of unpacking samples takes minutes for an hour of sound.
 */
export function readWav(bytes: Uint8Array): Outcome<Sound> {
  if (bytes.length > MOST_SOUND_BYTES)
    return failed(problem('sound-too-large', '', { megabytes: MOST_SOUND_BYTES / 1_000_000 }))
  let wave: wavefile.WaveFile
  try {
    wave = new wavefile.WaveFile(bytes)
  } catch {
    return failed(problem('sound-unreadable', ''))
  }
  const { audioFormat, numChannels, sampleRate, bitsPerSample, subformat } = wave.fmt as Format
  const samplesOf = UNPACKED[`${audioFormat === EXTENSIBLE ? subformat[0] : audioFormat}/${bitsPerSample}`]
  if (!samplesOf || wave.container === 'RIFX') return failed(problem('sound-unreadable', ''))
  if (numChannels !== 1 && numChannels !== 2) return failed(problem('sound-channels', '', { count: numChannels }))
  const [least, most] = SAMPLE_RATES_HZ
  if (sampleRate < least || sampleRate > most) return failed(problem('sound-rate', '', { hz: sampleRate, least, most }))
  const { samples: data } = wave.data as { samples: Uint8Array }
  const sampleBytes = bitsPerSample / 8
  const length = Math.floor(data.length / sampleBytes / numChannels)
  if (length === 0) return failed(problem('sound-empty', ''))
  const sample = samplesOf(new DataView(data.buffer, data.byteOffset, data.length))
  const samples =
    numChannels === 1
      ? Float32Array.from({ length }, (_, i) => sample(i * sampleBytes))
      : Float32Array.from({ length }, (_, i) => (sample(2 * i * sampleBytes) + sample((2 * i + 1) * sampleBytes)) / 2)
  return { ok: true, value: { sampleRateHz: sampleRate, samples } }
}

interface Format {
  audioFormat: number
  numChannels: number
  sampleRate: number
  bitsPerSample: number
  subformat: number[]
}

/** The kind of numbers then stands in `subformat`. */
const EXTENSIBLE = 0xfffe

/** By kind of numbers (1: integers, 3: floats) and bits: the sample at a byte. */
const UNPACKED: Record<string, (data: DataView) => (at: number) => number> = {
  '1/8': (data) => (at) => (data.getUint8(at) - 128) / 128,
  '1/16': (data) => (at) => data.getInt16(at, true) / 32_768,
  '1/24': (data) => (at) => (data.getInt16(at + 1, true) * 256 + data.getUint8(at)) / 8_388_608,
  '1/32': (data) => (at) => data.getInt32(at, true) / 2_147_483_648,
  '3/32': (data) => (at) => data.getFloat32(at, true),
  '3/64': (data) => (at) => data.getFloat64(at, true),
}
