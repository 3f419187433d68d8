import { describe, expect, it } from 'vitest'
import { kitchenScene, WHISTLES } from '../../tests/trials/sounds'
import { hearSound } from './hear'

const RATE = 16_000
const scene = kitchenScene({ seconds: 60, snrDb: 12, noises: ['clatter'], kind: 'steam' }, 77)
const sound = { sampleRateHz: RATE, samples: scene.samples }
const example = (samples: Float32Array) => ({ sampleRateHz: RATE, samples })

describe('a sound that is listened to whole', () => {
  it('tells the whistles in order, with their seconds and how sure it is', () => {
    const { seconds, whistles, example: learnt } = hearSound(sound)
    expect(seconds).toBe(60)
    expect(learnt).toBeNull()
    expect(whistles).toHaveLength(scene.whistles.length)
    whistles.forEach(({ fromS, toS, sure }, i) => {
      expect(Math.abs(fromS - scene.whistles[i]!.fromS)).toBeLessThan(0.6)
      expect(toS).toBeGreaterThan(fromS)
      expect(sure).toBeGreaterThan(0.9)
    })
  })

  it('learns from an example with quiet around it, or cut close', () => {
    const whistle = WHISTLES.steam(77 * 97, 3, RATE).map((sample) => 0.3 * sample)
    const within = new Float32Array(8 * RATE)
    within.set(whistle, 2 * RATE)
    for (const samples of [whistle, within]) {
      const heard = hearSound(sound, example(samples))
      expect(heard.example).toBe('learnt')
      expect(heard.whistles).toHaveLength(scene.whistles.length)
    }
  })

  it('says that it learnt nothing from one without a whistle, and hears as without it', () => {
    const heard = hearSound(sound, example(new Float32Array(5 * RATE)))
    expect(heard.example).toBe('nothing-heard')
    expect(heard.whistles).toEqual(hearSound(sound).whistles)
  })

  it('tells of a whistle that ends with the sound', () => {
    const [first] = scene.whistles
    const heard = hearSound({ sampleRateHz: RATE, samples: scene.samples.subarray(0, Math.ceil(first!.toS * RATE)) })
    expect(heard.whistles).toHaveLength(1)
    expect(heard.whistles[0]!.toS).toBeLessThanOrEqual(heard.seconds)
  })
})
