import { createEar } from '../../core/ear/ear'
import { randomFrom } from '../../core/live/random'
import type { Listening } from './live'
import { powerOf } from './sounds'

const RATE_HZ = 16_000

/**
 * The ear beside a simulated stove: it hears a noise that goes round and round, and over it the pot's whistles so many
 * dB louder than that noise is on average. `whistle` makes the sound of one, of so many seconds.
 */
export function earAtStove({
  noise,
  whistle,
  snrDb,
  seed,
}: {
  noise: Float32Array
  whistle: (seed: number, seconds: number, sampleRate: number) => Float32Array
  snrDb: number
  seed: number
}): Listening {
  const ear = createEar(RATE_HZ)
  const random = randomFrom(seed)
  const offset = Math.floor(random() * noise.length)
  const usualS = 1.8 + 3.5 * random()
  const loud = Math.sqrt(powerOf(noise) * 10 ** (snrDb / 10))
  let playing: { from: number; sound: Float32Array }[] = []
  let heardTo = 0
  return {
    until(minute, whistleMinutes) {
      for (const at of whistleMinutes) {
        const seconds = usualS * (0.8 + 0.4 * random())
        const sound = whistle(seed, seconds, RATE_HZ)
        const gain = loud / Math.sqrt(powerOf(sound.subarray(0, Math.round(seconds * RATE_HZ))))
        playing.push({ from: Math.round(at * 60 * RATE_HZ), sound: sound.map((sample) => gain * sample) })
      }
      const to = Math.round(minute * 60 * RATE_HZ)
      const samples = new Float32Array(to - heardTo)
      for (let i = 0; i < samples.length; i++) samples[i] = noise[(offset + heardTo + i) % noise.length]!
      for (const { from, sound } of playing)
        for (let i = Math.max(from, heardTo); i < Math.min(to, from + sound.length); i++)
          samples[i - heardTo] = samples[i - heardTo]! + sound[i - from]!
      heardTo = to
      playing = playing.filter(({ from, sound }) => from + sound.length > to)
      return ear
        .push(samples.map((sample) => 0.1 * sample))
        .filter(({ isWhistle }) => isWhistle)
        .map(({ fromS }) => fromS / 60)
    },
    expect: (logOdds) => ear.expect(logOdds),
  }
}
