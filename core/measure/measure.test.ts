import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { COMMON_MEASURES, gramsOf } from './measure'
import { pourable, type PourPart } from './pourable'

const cup = COMMON_MEASURES['cup-240']
const bowl = { id: 'bowl', volumeMl: 150 }
const text = (parts: PourPart[]) =>
  parts
    .map(
      ({ whole, fraction, measure }) => `${[whole || null, fraction?.join('/')].filter(Boolean).join(' ')} ${measure}`,
    )
    .join(' + ')

describe('amounts of dry food', () => {
  it('come from weight, cups or an own bowl', () => {
    expect(gramsOf(2, cup, { cupG: 185 })).toBe(370)
    expect(gramsOf(2, bowl, { cupG: 192 })).toBe(240)
    expect(gramsOf(1.5, 'kg', { cupG: null })).toBe(1500)
    expect(gramsOf(1, cup, { cupG: null })).toBeNaN()
  })

  it('grow with the count and with the measure', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 50, noNaN: true }), fc.constantFrom(cup, bowl), (count, measure) => {
        const grams = gramsOf(count, measure, { cupG: 190 })
        expect(gramsOf(2 * count, measure, { cupG: 190 })).toBeCloseTo(2 * grams, 6)
        expect(gramsOf(count, { ...measure, volumeMl: measure.volumeMl * 3 }, { cupG: 190 })).toBeCloseTo(3 * grams, 6)
      }),
    )
  })
})

describe('what a cook can pour', () => {
  it.each([
    [240, '1 cup-240'],
    [285, '1 cup-240 + 3 tbsp'],
    [360, '1 1/2 cup-240'],
    [80, '1/3 cup-240'],
    [45, '3 tbsp'],
    [5, '1 tsp'],
  ])('%d ml is %s', (volumeMl, wanted) => {
    expect(text(pourable(volumeMl, cup).parts)).toBe(wanted)
  })

  it('is at most two parts, and within 3 % from a quarter cup up', () => {
    fc.assert(
      fc.property(fc.double({ min: 60, max: 6000, noNaN: true }), fc.constantFrom(cup, bowl), (volumeMl, measure) => {
        const { parts, errorShare } = pourable(volumeMl, measure)
        expect(parts.length).toBeLessThanOrEqual(2)
        expect(Math.abs(errorShare)).toBeLessThan(0.12)
        if (volumeMl >= 250) expect(Math.abs(errorShare)).toBeLessThanOrEqual(0.03)
      }),
    )
  })

  it.each([
    [200, '3/4 cup-240 + 1 tbsp'],
    [40, '2 tbsp + 2 tsp'],
    [10, '2 tsp'],
  ])('%d ml takes no heap of spoons: %s', (volumeMl, wanted) => {
    expect(text(pourable(volumeMl, cup).parts)).toBe(wanted)
  })

  it('counts at most three of a smaller spoon', () => {
    fc.assert(
      fc.property(fc.double({ min: 3, max: 6000, noNaN: true }), fc.constantFrom(cup, bowl), (volumeMl, measure) => {
        const [first, second] = pourable(volumeMl, measure).parts
        if (second) expect(['tbsp', 'tsp']).toContain(second.measure)
        for (const one of [first, second])
          if (one && one.measure !== measure.id) expect(one.whole).toBeLessThanOrEqual(3)
      }),
    )
  })

  it('is nothing for nothing, nor for what no spoon measures', () => {
    expect(pourable(1, cup).parts).toEqual([])
    for (const volumeMl of [0, -5, NaN]) expect(pourable(volumeMl, cup).parts).toEqual([])
  })
})
