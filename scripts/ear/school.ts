/**
 * Sound to fit the ear on: whistles and noises drawn from wide ranges, by adding up short pieces of spectrum with
 * random phases. It shares no code with the generators that the ear is judged on (tests/trials).
 */
import FFT from 'fft.js'
import { randomFrom } from '../../core/live/random'

const RATE = 16_000
const SIZE = 512
const HOP = SIZE / 4

type Random = () => number
export const between = (random: Random, least: number, most: number) => least + (most - least) * random()
const oneOf = <T>(random: Random, all: readonly T[]): T => all[Math.floor(random() * all.length)]!
const exp = (random: Random, mean: number) => -mean * Math.log(1 - random())

/** Noise whose amplitude at each frequency and time is given; pieces overlap, their phases are random. */
function shaped(
  seconds: number,
  random: Random,
  amplitude: (t: number) => ((hz: number) => number) | null,
): Float32Array {
  const fft = new FFT(SIZE)
  const spectrum = fft.createComplexArray()
  const out = fft.createComplexArray()
  const sound = new Float32Array(Math.ceil(seconds * RATE) + SIZE)
  for (let at = 0; at < seconds * RATE; at += HOP) {
    const shape = amplitude((at + SIZE / 2) / RATE)
    if (!shape) continue
    spectrum.fill(0)
    for (let line = 1; line < SIZE / 2; line++) {
      const size = shape((line * RATE) / SIZE) * Math.sqrt(-Math.log(1 - random()))
      const phase = 2 * Math.PI * random()
      spectrum[2 * line] = size * Math.cos(phase)
      spectrum[2 * line + 1] = size * Math.sin(phase)
      spectrum[2 * (SIZE - line)] = spectrum[2 * line]!
      spectrum[2 * (SIZE - line) + 1] = -spectrum[2 * line + 1]!
    }
    fft.inverseTransform(out, spectrum)
    for (let i = 0; i < SIZE; i++)
      sound[at + i] = sound[at + i]! + out[2 * i]! * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / SIZE))
  }
  return sound.subarray(0, Math.ceil(seconds * RATE))
}

const bump = (hz: number, centre: number, width: number) => 1 / (1 + ((hz - centre) / width) ** 2)

/** A room: what is heard again and again, less each time. */
function echoing(sound: Float32Array, random: Random): Float32Array {
  const seconds = between(random, 0.15, 0.9)
  const share = between(random, 0, 0.5)
  const taps = Array.from({ length: 40 }, () => {
    const late = between(random, 0.005, seconds)
    return { by: Math.round(late * RATE), gain: share * (random() < 0.5 ? -1 : 1) * 10 ** ((-3 * late) / seconds) }
  })
  const out = new Float32Array(sound.length + Math.round(seconds * RATE))
  out.set(sound)
  for (const { by, gain } of taps) for (let i = 0; i < sound.length; i++) out[i + by] = out[i + by]! + gain * sound[i]!
  return out
}

/** How one pot whistles, and each of its whistles a little otherwise. */
export function pot(random: Random): (random: Random) => { sound: Float32Array; lastsS: number } {
  const count = 1 + Math.floor(3 * random())
  const resonances = Array.from({ length: count }, () => ({
    hz: between(random, 1700, 7000),
    width: between(random, 80, 900),
    size: between(random, 0.4, 1),
  }))
  const hiss = oneOf(random, [0, 0.05, 0.1, 0.3, 1])
  const lowest = between(random, 700, 2500)
  const tone = random() < 0.4 ? between(random, 0.3, 3) : 0
  const toneHz = between(random, 1700, 4800)
  const sinks = between(random, 0, 0.25)
  const rattle = { hz: between(random, 4, 16), depth: random() < 0.5 ? 0 : between(random, 0, 0.5) }
  const up = between(random, 0.04, 0.6)
  const down = between(random, 0.05, 0.9)
  const usualS = between(random, 1.2, 7)
  const room = random() < 0.6
  return (random) => {
    const lastsS = Math.max(1, usualS * between(random, 0.75, 1.3))
    const vary = between(random, 0.97, 1.03)
    const sound = shaped(lastsS, random, (t) => {
      const swell = Math.min(1, t / up) * Math.min(1, Math.max(0, lastsS - t) / down)
      const shaken = swell * (1 + rattle.depth * Math.sin(2 * Math.PI * rattle.hz * t))
      const sunk = vary * (1 - sinks * (t / lastsS))
      return (hz) => {
        let sum = hiss * (hz > lowest ? 1 : (hz / lowest) ** 2) * 0.3
        for (const one of resonances) sum += one.size * bump(hz, one.hz * sunk, one.width)
        return shaken * sum
      }
    })
    const power = Math.sqrt(powerOf(sound))
    let phase = 0
    if (tone > 0)
      for (let i = 0; i < sound.length; i++) {
        const t = i / RATE
        const swell = Math.min(1, t / up) * Math.min(1, Math.max(0, lastsS - t) / down)
        phase +=
          (2 * Math.PI * toneHz * vary * (1 - 0.3 * sinks * (t / lastsS)) * (1 + 0.006 * Math.sin(31 * t))) / RATE
        const shaken = 1 + 0.5 * rattle.depth * Math.sin(2 * Math.PI * rattle.hz * t)
        sound[i] = sound[i]! + tone * power * swell * shaken * (Math.sin(phase) + 0.3 * Math.sin(2 * phase + 1))
      }
    return { sound: room ? echoing(sound, random) : sound, lastsS }
  }
}

export type Noise = (seconds: number, random: Random) => Float32Array

/** Stretches of sound and of silence by their mean lengths. */
function stretches(seconds: number, random: Random, on: [number, number], off: [number, number]): [number, number][] {
  const found: [number, number][] = []
  for (let at = between(random, 0, off[1]); at < seconds;) {
    const to = at + between(random, ...on)
    found.push([at, to])
    at = to + between(random, ...off)
  }
  return found
}
const within = (spans: [number, number][], t: number) => spans.find(([from, to]) => t >= from && t < to)

function slowly(random: Random, spread: number): (t: number) => number {
  const waves = Array.from({ length: 5 }, () => ({ hz: between(random, 0.02, 0.6), phase: 7 * random() }))
  return (t) => Math.exp(spread * waves.reduce((sum, { hz, phase }) => sum + Math.sin(2 * Math.PI * hz * t + phase), 0))
}

function colour(random: Random): (hz: number) => number {
  const tilt = between(random, -1.2, 0.3)
  const bursts = Array.from({ length: 3 }, () => ({
    hz: between(random, 200, 6000),
    width: between(random, 200, 2000),
    size: between(random, 0, 3),
  }))
  return (hz) => (hz / 1000) ** tilt + bursts.reduce((sum, one) => sum + one.size * bump(hz, one.hz, one.width), 0)
}

function speaker(seconds: number, random: Random): Float32Array {
  const pitch = between(random, 85, 260)
  const pace = random() < 0.25 ? 2 : 1
  type Piece = { from: number; to: number; kind: number; mouth: [number, number, number]; pitch: number; size: number }
  const pieces: Piece[] = []
  for (let at = random(); at < seconds;) {
    const draw = random()
    const kind = draw < 0.6 ? 0 : draw < 0.82 ? 1 : 2
    const lasts =
      kind === 0
        ? between(random, 0.06, 0.32) * pace
        : kind === 1
          ? between(random, 0.05, 0.22)
          : random() < 0.25
            ? between(random, 0.2, 1.2)
            : between(random, 0.02, 0.12)
    pieces.push({
      from: at,
      to: at + lasts,
      kind,
      mouth: [between(random, 280, 850), between(random, 850, 2400), between(random, 2300, 3300)],
      pitch: pitch * between(random, 0.8, 1.3),
      size: between(random, 0.4, 1),
    })
    at += lasts
  }
  let i = 0
  const sibilant = shaped(seconds, random, (t) => {
    while (i < pieces.length - 1 && pieces[i]!.to <= t) i++
    const piece = pieces[i]!
    if (piece.kind !== 1 || t < piece.from) return null
    const size = piece.size * 0.15
    const centre = 3500 + 3500 * piece.size
    return (hz) => size * bump(hz, centre, 1500)
  })
  const out = Float32Array.from(sibilant)
  let phase = 0
  let now = pieces[0]!.mouth
  let size = 0
  let k = 0
  const lines = new Float64Array(64)
  for (let n = 0; n < out.length; n++) {
    const t = n / RATE
    while (k < pieces.length - 1 && pieces[k]!.to <= t) k++
    const piece = pieces[k]!
    if (n % 80 === 0) {
      const voiced = piece.kind === 0 && t >= piece.from
      size += ((voiced ? piece.size : 0) - size) * 0.2
      now = now.map((hz, m) => hz + (piece.mouth[m]! - hz) * 0.12) as Piece['mouth']
      for (let h = 1; h < 40; h++) {
        const hz = h * piece.pitch
        lines[h] =
          hz > 5000
            ? 0
            : (bump(hz, now[0], 90) + 0.5 * bump(hz, now[1], 110) + 0.25 * bump(hz, now[2], 150)) / Math.sqrt(h)
      }
    }
    if (size < 0.01) continue
    phase += (2 * Math.PI * piece.pitch) / RATE
    let sum = 0
    for (let h = 1; h < 40; h++) if (lines[h]! > 0.01) sum += lines[h]! * Math.sin(h * phase)
    out[n] = out[n]! + size * sum
  }
  return out
}

export const NOISES: Record<string, Noise> = {
  // Air, an extractor, a fan, boiling: it goes on.
  steady(seconds, random) {
    const tone = colour(random)
    const sway = slowly(random, between(random, 0, 0.12))
    return shaped(seconds, random, (t) => (hz) => tone(hz) * sway(t))
  },
  // Frying, rain, bubbling: high, and comes and goes quickly and slowly.
  frying(seconds, random) {
    const from = between(random, 800, 3500)
    const waves = Array.from({ length: 1 + Math.floor(3 * random()) }, () => ({
      hz: Math.exp(between(random, Math.log(0.15), Math.log(14))),
      depth: between(random, 0.1, 0.7),
      phase: 7 * random(),
    }))
    return shaped(seconds, random, (t) => {
      const size = waves.reduce(
        (all, { hz, depth, phase }) => all * (1 + depth * Math.sin(2 * Math.PI * hz * t + phase)),
        1,
      )
      return (hz) => size * (hz > from ? 1 : (hz / from) ** 2)
    })
  },
  // Plates, a knife on a board, steps.
  knocks(seconds, random) {
    const regular = random() < 0.5
    const every = between(random, 0.15, 1.2)
    const from = between(random, 200, 2500)
    const decay = between(random, 0.015, 0.15)
    const times: { at: number; size: number }[] = []
    for (let at = 0; at < seconds; at += regular ? every : exp(random, every))
      times.push({ at, size: between(random, 0.3, 1) })
    let next = 0
    let size = 0
    let lastT = 0
    return shaped(seconds, random, (t) => {
      size *= Math.exp(-(t - lastT) / decay)
      lastT = t
      while (next < times.length && times[next]!.at <= t) size += times[next++]!.size
      const now = size
      return now < 1e-4 ? null : (hz) => now * (hz > from ? 1 : (hz / from) ** 2)
    })
  },
  // Water into a pot, a mixer, a grinder, a hair dryer: low and high together, some seconds.
  runs(seconds, random) {
    const spans = stretches(seconds, random, [1.5, 14], [3, 15])
    const tone = colour(random)
    const low = between(random, 0.4, 4)
    const lowHz = between(random, 250, 1000)
    const sway = slowly(random, between(random, 0, 0.15))
    const ramp = between(random, 0.05, 0.8)
    return shaped(seconds, random, (t) => {
      const span = within(spans, t)
      if (!span) return null
      const size = sway(t) * Math.min(1, (t - span[0]) / ramp) * Math.min(1, (span[1] - t) / ramp)
      return (hz) => size * (tone(hz) + low * bump(hz, lowHz, 300))
    })
  },
  // A tap that is left on, a kettle that whistles: high, and far too long.
  tooLong(seconds, random) {
    const spans = stretches(seconds, random, [18, 40], [4, 12])
    const centre = between(random, 1800, 5000)
    const width = between(random, 300, 2000)
    const sing = random() < 0.5
    const ramp = between(random, 0.1, 3)
    const sway = slowly(random, 0.05)
    let phase = 0
    const hiss = shaped(seconds, random, (t) => {
      const span = within(spans, t)
      if (!span) return null
      const size = sway(t) * Math.min(1, (t - span[0]) / ramp) * Math.min(1, (span[1] - t) / 0.5)
      return (hz) => size * bump(hz, centre, width) * (sing ? 0.1 : 1)
    })
    if (!sing) return hiss
    const most = Math.sqrt(powerOf(hiss)) * 12
    return hiss.map((one, i) => {
      const t = i / RATE
      const span = within(spans, t)
      phase += (2 * Math.PI * centre) / RATE
      return span
        ? one + most * Math.min(1, (t - span[0]) / ramp) * Math.min(1, (span[1] - t) / 0.5) * Math.sin(phase)
        : one
    })
  },
  // Speech: voiced sounds of a moving pitch and mouth, sibilants, stops, breaths.
  speech(seconds, random) {
    if (random() < 0.3) {
      // Several at once, or a radio beside.
      const [one, other] = [speaker(seconds, random), speaker(seconds, random)]
      return one.map((sample, i) => sample + other[i]!)
    }
    return speaker(seconds, random)
  },
  // Music: notes that are struck, bowed or sung, alone or together.
  notes(seconds, random) {
    const out = new Float32Array(Math.ceil(seconds * RATE))
    const beat = between(random, 0.12, 0.8)
    const held = random() < 0.4
    const overlap = between(random, 0.7, 2)
    const root = between(random, 130, 700)
    const bright = between(random, 0.4, 2)
    for (let at = 0; at < seconds; at += beat) {
      if (random() < 0.15) continue
      for (let voice = 0; voice < 1 + 2 * random(); voice++) {
        const hz = root * 2 ** (Math.floor(24 * random()) / 12)
        const lasts = beat * overlap * (random() < 0.2 ? 2 : 1)
        const decay = held ? 1e9 : between(random, 0.08, 0.5)
        const start = Math.round(at * RATE)
        const size = between(random, 0.3, 1)
        const vibrato = held ? between(random, 0, 0.006) : 0
        const partials = Array.from({ length: 12 }, (_, n) => n + 1).filter((n) => n * hz < 7500)
        let phase = 0
        for (let i = 0; i < lasts * RATE && start + i < out.length; i++) {
          const t = i / RATE
          phase += (2 * Math.PI * hz * (1 + vibrato * Math.sin(34 * t))) / RATE
          const swell =
            size * Math.min(1, t / (held ? 0.04 : 0.003)) * Math.min(1, (lasts - t) / 0.02) * Math.exp(-t / decay)
          let sum = 0
          for (const n of partials)
            sum += (Math.sin(n * phase) / n ** bright) * Math.exp(held ? 0 : (-t * n) / (4 * decay))
          out[start + i] = out[start + i]! + swell * sum
        }
      }
    }
    return out
  },
  // Telephones, timers, microwaves, a lorry that backs: tones that begin and end at once, again and again.
  beeps(seconds, random) {
    const out = new Float32Array(Math.ceil(seconds * RATE))
    const hz = between(random, 700, 4000)
    const other = hz * oneOf(random, [1, 1.06, 1.25, 1.5, 2])
    const warble = random() < 0.5 ? between(random, 5, 30) : 0
    const on = Math.exp(between(random, Math.log(0.06), Math.log(3)))
    const off = Math.exp(between(random, Math.log(0.1), Math.log(5)))
    const square = random() < 0.4
    const soft = random() < 0.3 ? 0.02 : 0.003
    const spans = stretches(seconds, random, [4, 25], [2, 15])
    let phase = 0
    for (let i = 0; i < out.length; i++) {
      const t = i / RATE
      const span = within(spans, t)
      if (!span) continue
      const inOne = (t - span[0]) % (on + off)
      if (inOne > on) continue
      const which = warble > 0 && Math.floor(t * warble) % 2 === 1 ? other : hz
      phase += (2 * Math.PI * which) / RATE
      const swell = Math.min(1, inOne / soft) * Math.min(1, (on - inOne) / soft)
      const wave = Math.sin(phase)
      out[i] = swell * (square ? Math.sign(wave) * 0.6 + Math.sin(2 * phase) * 0.1 : wave)
    }
    return out
  },
  // A child, a dog, a cat, a door: cries that rise and fall.
  cries(seconds, random) {
    const out = new Float32Array(Math.ceil(seconds * RATE))
    const hz = between(random, 250, 900)
    const lasts = between(random, 0.15, 1.3)
    for (let at = random(); at < seconds; at += lasts + exp(random, 0.6)) {
      const start = Math.round(at * RATE)
      const long = lasts * between(random, 0.6, 1.4)
      const partials = Array.from({ length: 14 }, (_, n) => ({
        n: n + 1,
        size: between(random, 0.1, 1) / (1 + n * 0.25),
      }))
      let phase = 0
      for (let i = 0; i < long * RATE && start + i < out.length; i++) {
        const t = i / RATE
        const bend = 1 + 0.25 * Math.sin((Math.PI * t) / long) + 0.01 * Math.sin(60 * t)
        phase += (2 * Math.PI * hz * bend) / RATE
        let sum = 0
        for (const { n, size } of partials) if (n * hz * bend < 7500) sum += size * Math.sin(n * phase)
        out[start + i] = out[start + i]! + Math.sin((Math.PI * t) / long) ** 0.7 * sum * 0.4
      }
    }
    return out
  },
}

function powerOf(sound: Float32Array): number {
  let sum = 0
  for (const one of sound) sum += one * one
  return sum / Math.max(1, sound.length)
}

export interface Lesson {
  samples: Float32Array
  sampleRate: number
  whistles: { fromS: number; toS: number }[]
  /** One whistle of the same pot in a quiet room. */
  example: Float32Array
  noises: string[]
}

/** A minute of a kitchen that is only for fitting. */
export function lesson(seed: number, seconds = 60): Lesson {
  const random = randomFrom(seed)
  const names = Object.keys(NOISES)
  const noises = [names[seed % names.length]!, ...(random() < 0.35 ? [oneOf(random, names)] : [])]
  const samples = new Float32Array(seconds * RATE)
  for (const name of noises) {
    const sound = NOISES[name]!(seconds, random)
    const gain = (noises.length > 1 ? between(random, 0.3, 1) : 1) / Math.sqrt(powerOf(sound) + 1e-12)
    for (let i = 0; i < samples.length; i++) samples[i] = samples[i]! + gain * sound[i]!
  }
  const whistle = pot(random)
  const snrDb = between(random, -2, 26)
  const whistles: Lesson['whistles'] = []
  if (random() < 0.75)
    for (let at = between(random, 2, 12); at < seconds - 10;) {
      const { sound, lastsS } = whistle(random)
      const gain = Math.sqrt(10 ** (snrDb / 10) / (powerOf(sound.subarray(0, Math.round(lastsS * RATE))) + 1e-12))
      const start = Math.round(at * RATE)
      for (let i = 0; i < sound.length && start + i < samples.length; i++)
        samples[start + i] = samples[start + i]! + gain * sound[i]!
      whistles.push({ fromS: at, toS: at + lastsS })
      at += lastsS + between(random, 4, 18)
    }
  // A microphone's own noise, and how loud it all is.
  const self = random() < 0.15 ? 0 : 10 ** (between(random, -70, -25) / 20)
  let peak = 0
  for (let i = 0; i < samples.length; i++) {
    samples[i] = samples[i]! + self * (random() - 0.5)
    peak = Math.max(peak, Math.abs(samples[i]!))
  }
  const loud = between(random, 0.05, 0.9) / peak
  for (let i = 0; i < samples.length; i++) samples[i] = samples[i]! * loud
  const { sound } = whistle(random)
  const example = new Float32Array(sound.length + 3 * RATE)
  const gain = 0.1 / Math.sqrt(powerOf(sound))
  for (let i = 0; i < example.length; i++)
    example[i] =
      1e-4 * (random() - 0.5) + (i >= 1.5 * RATE && i - 1.5 * RATE < sound.length ? gain * sound[i - 1.5 * RATE]! : 0)
  return { samples, sampleRate: RATE, whistles, example, noises }
}
