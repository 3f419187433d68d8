import { randomFrom } from '../../core/live/random'
import { filter, white, whistleSound } from '../../core/live/whistle-sound'
import { steamWhistle } from './steam'

/**
 * Kitchen sounds made from scratch, for trying the ear on. All are mono, about -1 to 1, and the same for the
 * same seed. Shapes are engineering estimates of what a microphone hears.
 */
export type KitchenSound = 'extractor' | 'blender' | 'tap' | 'clatter' | 'talk'
export const KITCHEN_SOUNDS: readonly KitchenSound[] = ['extractor', 'blender', 'tap', 'clatter', 'talk']

/** So many seconds of one of the kitchen's other noises. */
export function kitchenSound(kind: KitchenSound, seconds: number, sampleRate: number, seed: number): Float32Array {
  const random = randomFrom(seed)
  const length = Math.round(seconds * sampleRate)
  const out = new Float32Array(length)
  const fill = (sample: (t: number, i: number) => number) => {
    for (let i = 0; i < length; i++) out[i] = sample(i / sampleRate, i)
  }
  if (kind === 'extractor') {
    const air = filter('low', 900, 0.7, sampleRate)
    const blades = 95 + 30 * random()
    fill((t) => 0.5 * air(white(random)) + 0.06 * white(random) * 0.3 + 0.12 * Math.sin(2 * Math.PI * blades * t))
  } else if (kind === 'blender') {
    const grind = filter('band', 1600, 0.6, sampleRate)
    const motor = 170 + 70 * random()
    const bursts = spans(seconds, 3, 8, 4, 12, random)
    let phase = 0
    fill((t) => {
      const burst = bursts.find(([from, to]) => t >= from && t < to)
      if (!burst) return 0
      const up = Math.min(1, (t - burst[0]) / 0.4)
      phase += (2 * Math.PI * motor * (0.5 + 0.5 * up)) / sampleRate
      let sum = 0
      for (let n = 1; n <= 14; n++) sum += Math.sin(n * phase) / n
      return 0.35 * up * (0.5 * sum + 1.2 * grind(white(random)))
    })
  } else if (kind === 'tap') {
    const body = filter('band', 900, 0.5, sampleRate)
    const splash = filter('band', 3000, 0.6, sampleRate)
    const wobble = filter('low', 6, 0.7, sampleRate)
    const bursts = spans(seconds, 3, 15, 4, 15, random)
    fill((t) => {
      const on = bursts.some(([from, to]) => t >= from && t < to)
      const sway = 1 + 4 * wobble(white(random))
      return on ? 0.4 * sway * (1.2 * body(white(random)) + 0.55 * splash(white(random))) : 0
    })
  } else if (kind === 'clatter') {
    for (let at = random() * 2; at < seconds; at += 0.1 + (random() < 0.7 ? 0.25 * random() : 4 * random())) {
      const modes = Array.from({ length: 5 }, () => ({ hz: 700 + 6500 * random(), decay: 0.02 + 0.1 * random() }))
      const loud = 0.2 + 0.6 * random()
      const start = Math.round(at * sampleRate)
      for (let i = 0; i < 0.3 * sampleRate && start + i < length; i++) {
        const t = i / sampleRate
        let sum = 0
        for (const { hz, decay } of modes) sum += Math.sin(2 * Math.PI * hz * t) * Math.exp(-t / decay)
        out[start + i] = out[start + i]! + 0.25 * loud * sum
      }
    }
  } else {
    const formants = [
      filter('band', 500, 3, sampleRate),
      filter('band', 1500, 4, sampleRate),
      filter('band', 2600, 5, sampleRate),
    ]
    const sibilant = filter('band', 5500, 0.9, sampleRate)
    const voice = 110 + 110 * random()
    let phase = 0
    let syllable = { until: 0, kind: 'pause' as 'voice' | 'hiss' | 'pause', from: 0, pitch: voice }
    fill((t) => {
      if (t >= syllable.until) {
        const draw = random()
        const next = draw < 0.62 ? 'voice' : draw < 0.8 ? 'hiss' : 'pause'
        const lasts =
          next === 'voice'
            ? 0.12 + 0.2 * random()
            : next === 'hiss'
              ? 0.06 + 0.14 * random()
              : 0.1 + 0.9 * random() ** 3
        syllable = { from: t, until: t + lasts, kind: next, pitch: voice * (0.85 + 0.3 * random()) }
      }
      const swell = Math.sin((Math.PI * (t - syllable.from)) / (syllable.until - syllable.from))
      phase += syllable.pitch / sampleRate
      const pulse = phase % 1 < 0.1 ? 1 : -0.1
      const vowel = formants[0]!(pulse) * 2 + formants[1]!(pulse) + formants[2]!(pulse) * 0.5
      const hiss = sibilant(white(random))
      return swell * (syllable.kind === 'voice' ? 1.6 * vowel : syllable.kind === 'hiss' ? 0.25 * hiss : 0)
    })
  }
  return out
}

/** Stretches of sound between stretches of quiet, in seconds. */
function spans(seconds: number, least: number, most: number, leastGap: number, mostGap: number, random: () => number) {
  const found: [number, number][] = []
  for (let at = random() * mostGap; at < seconds;) {
    const to = at + least + (most - least) * random()
    found.push([at, to])
    at = to + leastGap + (mostGap - leastGap) * random()
  }
  return found
}

export interface Scene {
  samples: Float32Array
  sampleRate: number
  whistles: { fromS: number; toS: number }[]
  /** By what everything was multiplied, so that nothing is cut off. */
  scale: number
}

/** Ways of making a whistle, of this seed's pot, that share no code: by filters over noise, and by sinking resonances. */
export const WHISTLES = {
  broad: (seed: number, seconds: number, sampleRate: number) => whistleSound('broad', seconds, sampleRate, seed),
  tonal: (seed: number, seconds: number, sampleRate: number) => whistleSound('tonal', seconds, sampleRate, seed),
  steam: steamWhistle,
}
export type WhistleMake = keyof typeof WHISTLES
export const WHISTLE_MAKES = Object.keys(WHISTLES) as WhistleMake[]

/** A kitchen's noise with a pot that whistles in it, by one of our own noises. */
export function kitchenScene(
  {
    seconds,
    snrDb,
    noises,
    kind,
    sampleRate = 16_000,
  }: { seconds: number; snrDb: number; noises: readonly KitchenSound[]; kind: WhistleMake; sampleRate?: number },
  seed: number,
): Scene {
  const noise = new Float32Array(Math.round(seconds * sampleRate))
  for (const name of noises) {
    const sound = kitchenSound(name, seconds, sampleRate, seed * 31 + name.length)
    for (let i = 0; i < noise.length; i++) noise[i] = noise[i]! + sound[i]!
  }
  return whistlingIn(
    noise,
    (_, lasts) => ({ sound: WHISTLES[kind](seed * 97, lasts, sampleRate), seconds: lasts }),
    { snrDb, sampleRate },
    seed,
  )
}

/**
 * Adds a pot's whistles to a noise, some seconds apart: the power of each while it lasts is so many dB over the noise's
 * own on average, however that comes and goes; and a little room noise everywhere.
 */
export function whistlingIn(
  noise: Float32Array,
  whistle: (which: number, seconds: number) => { sound: Float32Array; seconds: number },
  { snrDb, sampleRate }: { snrDb: number; sampleRate: number },
  seed: number,
): Scene {
  const random = randomFrom(seed)
  const samples = Float32Array.from(noise)
  const noisePower = powerOf(noise)
  const whistles: Scene['whistles'] = []
  for (let at = 5 + 8 * random(); at < noise.length / sampleRate - 9;) {
    const { sound, seconds: lasts } = whistle(whistles.length, 1.5 + 5 * random())
    const gain = Math.sqrt((noisePower * 10 ** (snrDb / 10)) / powerOf(sound.subarray(0, lasts * sampleRate)))
    const start = Math.round(at * sampleRate)
    for (let i = 0; i < sound.length && start + i < samples.length; i++)
      samples[start + i] = samples[start + i]! + gain * sound[i]!
    whistles.push({ fromS: at, toS: at + lasts })
    at += lasts + 9 + 14 * random()
  }
  const room = Math.sqrt(noisePower) * 0.02
  let peak = 0.7
  for (let i = 0; i < samples.length; i++) peak = Math.max(peak, Math.abs(samples[i]!))
  const scale = 0.7 / peak
  for (let i = 0; i < samples.length; i++) samples[i] = scale * (samples[i]! + room * white(random))
  return { samples, sampleRate, whistles, scale }
}

/** Mean power of a sound. */
export function powerOf(samples: Float32Array): number {
  let sum = 0
  for (let i = 0; i < samples.length; i++) sum += samples[i]! ** 2
  return sum / Math.max(1, samples.length)
}
