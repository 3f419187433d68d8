import wavefile from 'wavefile'

/** A WAV file of 16 bits in one channel. */
export function wavOf(samples: Float32Array, sampleRate: number): Uint8Array {
  const file = new wavefile.WaveFile()
  const most = 32_767
  file.fromScratch(
    1,
    sampleRate,
    '16',
    samples.map((sample) => Math.round(Math.max(-1, Math.min(1, sample)) * most)),
  )
  return file.toBuffer()
}
