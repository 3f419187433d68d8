import { describe, expect, it } from 'vitest'
import { createEar, shapeOfExample } from './ear'
import { earScore, hearScene } from '../../tests/trials/ear'
import { KITCHEN_SOUNDS, kitchenScene, kitchenSound } from '../../tests/trials/sounds'
import { whistleSound } from './whistle-sound'

const RATE = 16_000

describe('the whistle ear', () => {
  it.each([
    [0, 0.6],
    [6, 0.75],
    [12, 0.9],
    [20, 0.9],
  ])(
    'hears whistles %i dB over the noise of a kitchen, and hardly anything else',
    (snrDb, recall) => {
      const score = earScore(snrDb, { scenes: 1 })
      expect(score.whistles).toBeGreaterThan(20)
      expect(score.precision).toBeGreaterThanOrEqual(0.95)
      expect(score.recall).toBeGreaterThanOrEqual(recall)
    },
    60_000,
  )

  it.each(KITCHEN_SOUNDS)('takes no %s for a whistle', (noise) => {
    const ear = createEar(RATE)
    const samples = kitchenSound(noise, 40, RATE, 5)
    expect(ear.push(samples).length).toBeLessThanOrEqual(1)
  })

  it('tells when a whistle began and ended', () => {
    const scene = kitchenScene({ seconds: 40, snrDb: 20, noises: ['extractor'], kind: 'tonal' }, 3)
    const ear = createEar(RATE)
    const heard = ear.push(scene.samples)
    expect(heard).toHaveLength(scene.whistles.length)
    heard.forEach(({ fromS, toS }, i) => {
      expect(Math.abs(fromS - scene.whistles[i]!.fromS)).toBeLessThan(0.5)
      expect(Math.abs(toS - scene.whistles[i]!.toS)).toBeLessThan(0.6)
    })
  })

  it('lets what does not end become part of the noise', () => {
    const ear = createEar(RATE)
    const hiss = whistleSound('broad', 40, RATE, 8)
    const quiet = new Float32Array(5 * RATE)
    expect([...ear.push(quiet), ...ear.push(hiss)]).toEqual([])
    expect(ear.level().riseDb).toBeLessThan(6)
  })

  it('learns the shape of this kitchen’s whistle from one example, and is no worse for it', () => {
    const example = new Float32Array(5 * RATE)
    example.set(whistleSound('tonal', 3, RATE, 11), RATE)
    const shape = shapeOfExample(example, RATE)!
    expect(shape.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 6)
    const scene = kitchenScene({ seconds: 60, snrDb: 6, noises: ['talk'], kind: 'tonal' }, 11)
    expect(hearScene(scene, shape).right).toBeGreaterThanOrEqual(hearScene(scene).right - 1)
    // A quiet room has nothing to learn from.
    expect(shapeOfExample(new Float32Array(3 * RATE), RATE)).toBeNull()
  })
})
