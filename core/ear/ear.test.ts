import { describe, expect, it } from 'vitest'
import { earScore, exampleOf, hearScene, listenTo } from '../../tests/trials/ear'
import {
  KITCHEN_SOUNDS,
  kitchenScene,
  kitchenSound,
  powerOf,
  WHISTLE_MAKES,
  WHISTLES,
  type WhistleMake,
} from '../../tests/trials/sounds'
import { createEar } from './ear'
import { createExample } from './example'

const RATE = 16_000

/** A quiet room with sounds put into it at so many seconds, so loud. */
function room(seconds: number, sounds: { at: number; sound: Float32Array; rms: number }[], sampleRate = RATE) {
  const samples = Float32Array.from({ length: seconds * sampleRate }, (_, i) => 2e-4 * Math.sin(i * 1.7 + (i % 97)))
  for (const { at, sound, rms } of sounds) {
    const gain = rms / Math.sqrt(powerOf(sound))
    const start = Math.round(at * sampleRate)
    for (let i = 0; i < sound.length && start + i < samples.length; i++)
      samples[start + i] = samples[start + i]! + gain * sound[i]!
  }
  return { samples, sampleRate }
}

const counted = (scene: Parameters<typeof listenTo>[0]) => listenTo(scene).filter(({ isWhistle }) => isWhistle)

/** A tone without any hiss, which begins and ends at once. */
const tone = (hz: number, seconds: number) =>
  Float32Array.from({ length: seconds * RATE }, (_, i) => Math.sin((2 * Math.PI * hz * i) / RATE))

describe('the whistle ear', () => {
  it.each([
    [0, 0.6],
    [6, 0.8],
    [12, 0.9],
    [20, 0.9],
  ])(
    'hears whistles %i dB over the noise of a kitchen, and hardly anything else',
    (snrDb, recall) => {
      const score = earScore(snrDb)
      expect(score.whistles).toBeGreaterThan(35)
      expect(score.precision).toBeGreaterThanOrEqual(0.95)
      expect(score.recall).toBeGreaterThanOrEqual(recall)
    },
    300_000,
  )

  it.each(WHISTLE_MAKES)(
    'hears whistles made as %s over each single noise',
    (make) => {
      for (const noise of KITCHEN_SOUNDS)
        expect({ noise, recall: earScore(12, { noises: [noise], makes: [make] }).recall }).toEqual({
          noise,
          recall: expect.toSatisfy((recall: number) => recall >= 0.75),
        })
    },
    300_000,
  )

  it.each(KITCHEN_SOUNDS)('takes no %s for a whistle', (noise) => {
    const samples = kitchenSound(noise, 120, RATE, 5)
    expect(counted({ samples: samples.map((sample) => 0.3 * sample), sampleRate: RATE })).toEqual([])
  })

  it.each<[string, Float32Array[], number]>([
    ['telephone', Array.from({ length: 8 }, () => tone(1450, 1)), 3],
    ['beeping', Array.from({ length: 12 }, () => tone(2050, 0.5)), 1],
    ['timer', Array.from({ length: 20 }, () => tone(3900, 0.1)), 0.7],
    ['kettle of half a minute', [tone(2500, 30)], 0],
  ])('takes no %s for a whistle', (_, sounds, every) => {
    const ringing = sounds.map((sound, i) => ({ at: 4 + every * i, sound, rms: 0.1 }))
    expect(counted(room(40, ringing))).toEqual([])
  })

  it.each(WHISTLE_MAKES)('tells when a whistle began and ended (%s)', (kind) => {
    const scene = kitchenScene({ seconds: 60, snrDb: 20, noises: ['extractor'], kind }, 3)
    const heard = counted(scene)
    expect(heard).toHaveLength(scene.whistles.length)
    heard.forEach(({ fromS, toS, sure }, i) => {
      expect(Math.abs(fromS - scene.whistles[i]!.fromS)).toBeLessThan(0.6)
      expect(Math.abs(toS - scene.whistles[i]!.toS)).toBeLessThan(0.8)
      expect(sure).toBeGreaterThan(0.9)
    })
  })

  it('lets what does not end become part of the noise', () => {
    const hiss = WHISTLES.broad(8, 40, RATE)
    expect(counted(room(60, [{ at: 5, sound: hiss, rms: 0.1 }]))).toEqual([])
  })

  it('hears a whistle over a tap that was turned on in a quiet room, and one in the quiet after it', () => {
    const tap = kitchenSound('extractor', 30, RATE, 3)
    const whistle = (at: number, rms: number) => ({ at, sound: WHISTLES.steam(4, 3, RATE), rms })
    const heard = counted(room(60, [{ at: 10, sound: tap, rms: 0.05 }, whistle(20, 0.15), whistle(47, 0.02)]))
    expect(heard.map(({ fromS }) => Math.round(fromS))).toEqual([20, 47])
  })

  it('hears a whistle through which somebody talks', () => {
    const talk = kitchenSound('talk', 40, RATE, 12)
    const heard = counted(
      room(45, [
        { at: 2, sound: talk, rms: 0.05 },
        { at: 15, sound: WHISTLES.tonal(2, 3, RATE), rms: 0.05 },
        { at: 30, sound: WHISTLES.steam(2, 3, RATE), rms: 0.05 },
      ]),
    )
    expect(heard.map(({ fromS }) => Math.round(fromS))).toEqual([15, 30])
  })

  it('counts a whistle once that breaks off and goes on, and hears the next ones over a noise as well', () => {
    const whistle = (at: number, rms: number) => ({ at, sound: WHISTLES.steam(5, 3, RATE), rms })
    const extractor = kitchenSound('extractor', 38, RATE, 3)
    const heard = counted(
      room(50, [
        whistle(2, 0.1),
        whistle(7, 0.1),
        { at: 12, sound: extractor, rms: 0.03 },
        whistle(22, 0.1),
        whistle(38, 0.1),
      ]),
    )
    expect(heard.map(({ fromS }) => Math.round(fromS))).toEqual([2, 22, 38])
  })

  it.each([8000, 11_025, 44_100, 48_000])('hears at %i samples a second', (sampleRate) => {
    const scene = kitchenScene({ seconds: 60, snrDb: 12, noises: ['extractor'], kind: 'broad', sampleRate }, 21)
    expect(hearScene(scene).right).toBe(scene.whistles.length)
    expect(hearScene(scene).heard).toBe(scene.whistles.length)
  })

  it('hears the same however the samples are cut', () => {
    const { samples, sampleRate } = kitchenScene({ seconds: 40, snrDb: 6, noises: ['talk'], kind: 'steam' }, 9)
    const inOne = createEar(sampleRate).push(samples)
    const ear = createEar(sampleRate)
    const inPieces = []
    for (let at = 0; at < samples.length; at += 997) inPieces.push(...ear.push(samples.subarray(at, at + 997)))
    expect(inPieces).toEqual(inOne)
    expect(inOne.length).toBeGreaterThan(0)
  })

  it('needs less to believe in a whistle that is due, and more where none can be', () => {
    // Over all these scenes: what is expected makes it keener, what cannot be makes it deafer, and neither beyond reason.
    const heardWith = (logOdds: number, snrDb: number) =>
      (['extractor', 'tap', 'talk'] as const).reduce((sum, noise) => {
        const { samples } = kitchenScene({ seconds: 60, snrDb, noises: [noise], kind: 'broad' }, 40)
        const ear = createEar(RATE)
        ear.expect(logOdds)
        return sum + ear.push(samples).filter(({ isWhistle }) => isWhistle).length
      }, 0)
    expect(heardWith(1, -4)).toBeGreaterThan(heardWith(-2, -4))
    expect(heardWith(-2, 20)).toBeGreaterThan(6)
  })

  it('asks about what may have been a whistle, and does not count it', () => {
    const scene = kitchenScene({ seconds: 31, snrDb: 3, noises: ['tap'], kind: 'broad', sampleRate: 48_000 }, 21)
    const heard = listenTo(scene)
    expect(heard).toHaveLength(1)
    expect(heard[0]!.isWhistle).toBe(false)
    expect(heard[0]!.sure).toBeLessThan(0.97)
  })

  it('says that it cannot hear where this kitchen’s whistle would drown, and not before', () => {
    const whistle = WHISTLES.steam(6, 3, RATE)
    const ear = createEar(RATE)
    ear.push(room(15, [{ at: 5, sound: whistle, rms: 0.02 }]).samples)
    expect(ear.level().noisy).toBe(false)
    const steady = (rms: number) => {
      const noise = WHISTLES.broad(3, 8, RATE)
      return room(8, [{ at: 0, sound: noise, rms }]).samples.subarray(RATE, 6 * RATE)
    }
    ear.push(steady(0.002))
    expect(ear.level().noisy).toBe(false)
    ear.push(steady(0.3))
    expect(ear.level().noisy).toBe(true)
  })

  it('shows that it hears something', () => {
    const ear = createEar(RATE)
    expect(ear.level()).toEqual({ riseDb: 0, noisy: false })
    ear.push(room(8, [{ at: 5, sound: WHISTLES.broad(1, 3, RATE), rms: 0.05 }]).samples.subarray(0, 6.5 * RATE))
    expect(ear.level().riseDb).toBeGreaterThan(10)
  })

  it('hears nothing in nothing', () => {
    expect(createEar(RATE).push(new Float32Array(0))).toEqual([])
    expect(createEar(RATE).push(new Float32Array(RATE * 20))).toEqual([])
  })
})

describe('one example of this kitchen’s whistle', () => {
  it.each<WhistleMake>(WHISTLE_MAKES)('gives the shape of it (%s)', (make) => {
    const shape = exampleOf(WHISTLES[make](11, 3, RATE))!
    expect(Math.max(...shape)).toBe(0)
    expect(Math.min(...shape)).toBeLessThan(-3)
  })

  it('learns nothing in a quiet room, from talk or from a telephone', () => {
    const learn = ({ samples }: { samples: Float32Array }) => createExample(RATE).push(samples)
    expect(learn(room(8, []))).toBeNull()
    expect(learn(room(10, [{ at: 2, sound: kitchenSound('talk', 6, RATE, 3), rms: 0.1 }]))).toBeNull()
    expect(learn(room(10, [{ at: 2, sound: tone(1450, 1), rms: 0.1 }]))).toBeNull()
  })

  it('makes it hear no worse', () => {
    const noises = ['tap', 'clatter', 'talk'] as const
    for (const snrDb of [0, 6, 12]) {
      const [alone, taught] = [earScore(snrDb, { noises }), earScore(snrDb, { noises, withExample: true })]
      expect(taught.recall).toBeGreaterThanOrEqual(alone.recall)
      expect(taught.precision).toBeGreaterThanOrEqual(alone.precision)
    }
  }, 300_000)
})
