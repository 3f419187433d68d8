import FFT from 'fft.js'

/** A whistle that was heard: when it began and ended, in seconds of what was listened to. */
export interface HeardWhistle {
  fromS: number
  toS: number
}

/** What the ear hears at the moment, for showing that it works. */
export interface EarLevel {
  /** dB over the running floor in the whistle's band, averaged over its parts. */
  riseDb: number
  /** The floor is so loud that whistles are likely to drown. */
  noisy: boolean
}

/** The shape of this kitchen's whistle: how far each part of the band rises, as shares that add up to one. */
export type WhistleShape = readonly number[]

export interface Ear {
  /** Takes the next samples and tells which whistles ended in them. */
  push(samples: Float32Array): HeardWhistle[]
  level(): EarLevel
}

const WINDOW = 1024
/** The whistle's band, in parts that grow with frequency, and the voice and motor band below it. */
const EDGES_HZ = [1500, 1850, 2250, 2700, 3250, 3900, 4650, 5500, 6500, 7600, 9000]
const BELOW_HZ = [150, 1200] as const
export const EAR_PARTS = EDGES_HZ.length - 1

// Engineering estimates, set on generated kitchen sound (docs/model.md has what they reach).
const LEAST_S = 0.8
/** A whistle of a pot at home does not last longer: what does is an extractor, a blender or a tap. */
const MOST_S = 22
/** Rise of the loudest parts (a tone), or of all of them (a hiss), that counts as sounding. */
const TONAL_DB = 7
const BROAD_DB = 3.2
/** The whistle's band must rise so much more than the band below. */
const OVER_BELOW_DB = 2.4
/** And rise together and steadily: talk and clatter come and go. */
const STEADY_SHARE = 0.72
const QUIET_SHARE = 0.2
const LOUD_SHARE = 0.7
const QUIETEST_DB = 1.5
const MOST_SWAY_DB = 6
const EDGE_S = 0.4
/** The sound's own loudness follows it quickly up and slowly down; so far below it, it has died away. */
const PEAK_UP = 0.3
const PEAK_DOWN = 0.01
const FALLEN_DB = 12
const GAP_S = 0.35
const SMOOTH_S = 0.12
const FLOOR_RISE_DB_PER_S = 8
const FLOOR_FALL_DB_PER_S = 12
/** While something sounds the floor may not follow it up, but only for so long. */
const HELD_RISE_DB_PER_S = 0.12
const LIKE_SHAPE = 0.7
const NOISY_DB = -32
/** No room is so quiet. */
const SILENT_DB = -105

/**
 * Listens for whistles: a sustained rise of the 1.5 to 9 kHz band over a running floor, broad or tonal, that
 * ends. `shape`, from one example, makes it keener on this kitchen's whistle and deafer to all else.
 */
export function createEar(sampleRate: number, shape: WhistleShape | null = null): Ear {
  const fft = new FFT(WINDOW)
  const spectrum = fft.createComplexArray()
  const window = Float32Array.from({ length: WINDOW }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / WINDOW))
  const hop = Math.round(sampleRate * 0.02)
  const hopS = hop / sampleRate
  const buffer = new Float32Array(WINDOW)
  const frame = new Float32Array(WINDOW)
  let filled = 0
  let sinceFrame = 0
  let atS = 0

  const bands = EAR_PARTS + 1
  const power = new Float64Array(bands).fill(1e-12)
  const floorDb = new Float64Array(bands).fill(NaN)
  const riseDb = new Float64Array(bands)
  /** The sound that goes on: when it began, how many of its frames sounded, and how far each rose, unsmoothed. */
  let sounding: { fromS: number; loud: number; lastLoudS: number; rises: number[]; peak: number } | null = null

  const bandOf = new Int8Array(WINDOW / 2).fill(-1)
  for (let bin = 1; bin < WINDOW / 2; bin++) {
    const hz = (bin * sampleRate) / WINDOW
    if (hz >= BELOW_HZ[0] && hz < BELOW_HZ[1]) bandOf[bin] = EAR_PARTS
    const part = EDGES_HZ.findIndex((edge, i) => i < EAR_PARTS && hz >= edge && hz < EDGES_HZ[i + 1]!)
    if (part >= 0) bandOf[bin] = part
  }

  return {
    push(samples) {
      const heard: HeardWhistle[] = []
      for (const sample of samples) {
        buffer[filled % WINDOW] = sample
        filled++
        atS += 1 / sampleRate
        if (++sinceFrame < hop || filled < WINDOW) continue
        sinceFrame = 0
        const whistle = listen()
        if (whistle) heard.push(whistle)
      }
      return heard
    },
    level: () => ({
      riseDb: mean(riseDb, EAR_PARTS),
      noisy:
        10 * Math.log10(power.slice(0, EAR_PARTS).reduce((sum, one) => sum + one, 0)) > NOISY_DB && sounding === null,
    }),
  }

  function listen(): HeardWhistle | null {
    const from = filled % WINDOW
    for (let i = 0; i < WINDOW; i++) frame[i] = buffer[(from + i) % WINDOW]! * window[i]!
    fft.realTransform(spectrum, frame)
    const now = new Float64Array(bands)
    for (let bin = 1; bin < WINDOW / 2; bin++) {
      const band = bandOf[bin]!
      if (band < 0) continue
      const re = spectrum[2 * bin]!
      const im = spectrum[2 * bin + 1]!
      now[band] = now[band]! + (re * re + im * im) / (WINDOW * WINDOW)
    }
    const keep = Math.exp(-hopS / SMOOTH_S)
    for (let band = 0; band < bands; band++) {
      power[band] = keep * power[band]! + (1 - keep) * (now[band]! + 1e-12)
      const db = 10 * Math.log10(power[band]!)
      const floor = floorDb[band]!
      // A microphone that has not started yet is no quiet kitchen.
      if (Number.isNaN(floor) || floor < SILENT_DB) floorDb[band] = db
      else if (db < floor) floorDb[band] = Math.max(db, floor - FLOOR_FALL_DB_PER_S * hopS)
      else floorDb[band] = Math.min(db, floor + (sounding ? HELD_RISE_DB_PER_S : FLOOR_RISE_DB_PER_S) * hopS)
      riseDb[band] = db - floorDb[band]!
    }
    let rise = 0
    for (let part = 0; part < EAR_PARTS; part++) rise += 10 * Math.log10(now[part]! + 1e-12) - floorDb[part]!
    return track(soundsLikeWhistle(), rise / EAR_PARTS)
  }

  function soundsLikeWhistle(): boolean {
    const parts = Array.from(riseDb.subarray(0, EAR_PARTS))
    const below = riseDb[EAR_PARTS]!
    const broad = mean(riseDb, EAR_PARTS)
    const tonal = parts.sort((a, b) => b - a).slice(0, 2)[1]!
    const like = shape ? likeness(riseDb, shape) : 0
    const keener = like > LIKE_SHAPE ? 0.75 : 1
    if (shape && like < LIKE_SHAPE - 0.2) return false
    const rises = broad > BROAD_DB * keener || (tonal > TONAL_DB * keener && broad > 1)
    return rises && Math.max(broad, tonal * 0.7) - below > OVER_BELOW_DB * keener
  }

  /** Follows one sound from its beginning until it is over, and tells if it was a whistle. */
  function track(like: boolean, rise: number): HeardWhistle | null {
    if (!sounding) {
      if (like) sounding = { fromS: atS, loud: 1, lastLoudS: atS, rises: [rise], peak: rise }
      return null
    }
    sounding.rises.push(rise)
    sounding.peak += (rise - sounding.peak) * (rise > sounding.peak ? PEAK_UP : PEAK_DOWN)
    const loud = like && rise > sounding.peak - FALLEN_DB
    if (loud) {
      sounding.loud++
      sounding.lastLoudS = atS
    }
    const { fromS, lastLoudS, loud: loudFrames, rises } = sounding
    if (atS - fromS > MOST_S) {
      // It does not end: part of the kitchen's noise from now on.
      sounding = null
      floorDb.fill(NaN)
      return null
    }
    if (atS - lastLoudS < GAP_S) return null
    sounding = null
    const lastsS = lastLoudS - fromS
    const steady = loudFrames / Math.max(1, rises.length - GAP_S / hopS)
    // A whistle swells and dies away: only its middle is steady.
    const edge = Math.min(EDGE_S, lastsS / 4) / hopS
    const during = rises
      .slice(Math.round(edge), Math.round((lastsS - edge * hopS) / hopS))
      .sort((one, other) => one - other)
    // Hands and tongues leave gaps that steam does not: even its quietest moments stand out.
    const quietest = during[Math.floor(during.length * QUIET_SHARE)] ?? 0
    const loudest = during[Math.floor(during.length * LOUD_SHARE)] ?? 0
    const isWhistle =
      lastsS >= LEAST_S && steady >= STEADY_SHARE && quietest >= QUIETEST_DB && loudest - quietest <= MOST_SWAY_DB
    return isWhistle ? { fromS: Math.max(0, fromS - SMOOTH_S), toS: lastLoudS } : null
  }
}

/** The shape of one example whistle, for an ear of this kitchen; null if nothing in it stands out. */
export function shapeOfExample(samples: Float32Array, sampleRate: number): WhistleShape | null {
  const fft = new FFT(WINDOW)
  const spectrum = fft.createComplexArray()
  const frames: number[][] = []
  for (let at = 0; at + WINDOW <= samples.length; at += WINDOW / 2) {
    fft.realTransform(spectrum, samples.subarray(at, at + WINDOW))
    const parts = EDGES_HZ.slice(0, -1).map((edge, i) => {
      const to = Math.min(WINDOW / 2 - 1, Math.floor((EDGES_HZ[i + 1]! * WINDOW) / sampleRate))
      let sum = 1e-12
      for (let bin = Math.ceil((edge * WINDOW) / sampleRate); bin <= to; bin++)
        sum += spectrum[2 * bin]! ** 2 + spectrum[2 * bin + 1]! ** 2
      return 10 * Math.log10(sum)
    })
    frames.push(parts)
  }
  if (frames.length < 20) return null
  const loudness = frames.map((parts) => parts.reduce((sum, one) => sum + one, 0))
  const order = loudness.map((_, i) => i).sort((a, b) => loudness[a]! - loudness[b]!)
  const average = (indices: number[]) =>
    EDGES_HZ.slice(0, -1).map((_, part) => indices.reduce((sum, i) => sum + frames[i]![part]!, 0) / indices.length)
  const quiet = average(order.slice(0, Math.ceil(order.length / 5)))
  const loud = average(order.slice(-Math.ceil(order.length / 5)))
  const rise = loud.map((db, part) => Math.max(0, db - quiet[part]!))
  const sum = rise.reduce((total, one) => total + one, 0)
  return sum < 30 ? null : rise.map((one) => one / sum)
}

function likeness(rise: Float64Array, shape: WhistleShape): number {
  let dot = 0
  let a = 0
  let b = 0
  for (let i = 0; i < EAR_PARTS; i++) {
    const up = Math.max(0, rise[i]!)
    dot += up * shape[i]!
    a += up * up
    b += shape[i]! * shape[i]!
  }
  return a > 0 && b > 0 ? dot / Math.sqrt(a * b) : 0
}

function mean(values: Float64Array, count: number): number {
  let sum = 0
  for (let i = 0; i < count; i++) sum += values[i]!
  return sum / count
}
