import FFT from 'fft.js'

/** Frames of sound a second: one every 20 ms. */
export const FRAME_S = 0.02
/** The whistle's band, in parts that grow with frequency. */
const EDGES_HZ = [1500, 1850, 2250, 2700, 3250, 3900, 4650, 5500, 6500, 7600, 9000]
/** Voices and motors: the band below, which is kept as one part more, the last. */
const BELOW_HZ = [150, 1200] as const
export const EAR_PARTS = EDGES_HZ.length - 1
export const BELOW = EAR_PARTS
/** A window is about as long as the shortest gap between two words. */
const WINDOW_S = 0.03
/** No room is so quiet. */
const SILENT_DB = -110
/** A part of the band that this rate of samples does not carry is known by fewer lines of the spectrum than these. */
const FEWEST_LINES = 3

/** What one frame of sound holds: each part's power, and how much more its strongest line stands out than noise's, in dB. */
export interface Frame {
  db: Float64Array
  crestDb: Float64Array
}

/** Cuts what comes in into frames; `onFrame` is told of each, in a buffer that the next one uses again. */
export function createSpectrum(sampleRate: number, onFrame: (frame: Frame) => void) {
  const size = 2 ** Math.round(Math.log2(WINDOW_S * sampleRate))
  const fft = new FFT(size)
  const spectrum = fft.createComplexArray()
  const window = Float32Array.from({ length: size }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / size))
  const scale = 1 / (size * window.reduce((sum, w) => sum + w * w, 0))
  const hop = sampleRate * FRAME_S
  const buffer = new Float32Array(size)
  const cut = new Float32Array(size)
  const lines = partLines(size, sampleRate)
  const frame: Frame = { db: new Float64Array(EAR_PARTS + 1), crestDb: new Float64Array(EAR_PARTS + 1) }
  let filled = 0
  let nextAt = size

  return {
    /** The parts of the band that this rate of samples carries, from the lowest up. */
    parts: lines.slice(0, EAR_PARTS).filter(([from, to]) => to - from >= FEWEST_LINES).length,
    push(samples: Float32Array) {
      // By index, in half the time that an iterator takes: all that is heard comes through here.
      for (let i = 0; i < samples.length; i++) {
        const sample = samples[i]!
        // A file may hold what is no number; one of those would silence all that follows.
        buffer[filled % size] = Number.isFinite(sample) ? sample : 0
        filled++
        if (filled < nextAt) continue
        nextAt += hop
        measure()
      }
    },
  }

  function measure() {
    for (let i = 0; i < size; i++) cut[i] = buffer[(filled + i) % size]! * window[i]!
    fft.realTransform(spectrum, cut)
    lines.forEach(([from, to], part) => {
      let sum = 0
      let most = 0
      for (let line = from; line < to; line++) {
        const power = spectrum[2 * line]! ** 2 + spectrum[2 * line + 1]! ** 2
        sum += power
        if (power > most) most = power
      }
      frame.db[part] = Math.max(SILENT_DB, 10 * Math.log10(scale * sum + 1e-30))
      frame.crestDb[part] = sum > 0 ? 10 * Math.log10((most * (to - from)) / sum) - noiseCrestDb(to - from) : 0
    })
    onFrame(frame)
  }
}

/** The lines of a spectrum that belong to each part: from, and to but not with. */
function partLines(size: number, sampleRate: number): [number, number][] {
  const line = (hz: number) => Math.min(size / 2, Math.ceil((hz * size) / sampleRate))
  return [
    ...EDGES_HZ.slice(0, -1).map((hz, i): [number, number] => [line(hz), line(EDGES_HZ[i + 1]!)]),
    [line(BELOW_HZ[0]), line(BELOW_HZ[1])],
  ]
}

/** How far the strongest of so many lines of noise stands out: their powers are exponential, the mean of the most is H(n). */
const noiseCrestDb = (lines: number) => 10 * Math.log10(Math.log(Math.max(1, lines)) + 0.5772)
