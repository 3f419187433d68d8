import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { findFood } from '../food/catalogue'
import { LIQUID_KINDS } from './liquids'
import { waterSum } from './sum'
import { coveringMl, heapMl, levelMl, liquidLineMl, solidMl } from './volume'

const drinks = (overrides = {}) => ({
  foodId: 'toor-split',
  uptakeG: 260,
  heldG: 0,
  soakWaterG: 0,
  freeLiquidG: 100,
  ...overrides,
})

describe('the water sum', () => {
  it('is the sum of its lines, whatever goes in', () => {
    const grams = fc.double({ min: 0, max: 2000, noNaN: true })
    fc.assert(
      fc.property(
        grams,
        grams,
        grams,
        fc.constantFrom(...LIQUID_KINDS),
        grams,
        grams,
        (uptakeG, heldG, steamG, kind, g, floorG) => {
          const { pourG, lines } = waterSum([drinks({ uptakeG, heldG })], [{ kind, g }], steamG, [
            { rule: 'minimum', pourG: floorG },
          ])
          expect(lines.reduce((sum, line) => sum + line.g, 0)).toBe(pourG)
          expect(pourG).toBeGreaterThanOrEqual(Math.floor(floorG))
        },
      ),
    )
  })

  it('counts tomato, and soak water whole', () => {
    const plain = waterSum([drinks()], [], 80, []).pourG
    expect(waterSum([drinks()], [{ kind: 'chopped-tomato', g: 200 }], 80, []).pourG).toBe(plain - 120)
    expect(waterSum([drinks({ soakWaterG: 150 })], [], 80, []).pourG).toBe(plain - 150)
  })

  it('says which floor set the figure', () => {
    const floors = [
      { rule: 'minimum', pourG: 300 },
      { rule: 'covered', pourG: 700 },
    ] as const
    expect(waterSum([drinks()], [], 80, floors)).toMatchObject({ pourG: 700, rule: 'covered' })
    expect(waterSum([drinks()], [], 900, floors).rule).toBe('balance')
  })

  it('pours nothing when more is there than is wanted, and says so', () => {
    const { pourG, lines } = waterSum([drinks()], [{ kind: 'water', g: 1000 }], 50, [])
    expect(pourG).toBe(0)
    expect(lines.at(-1)).toEqual({ id: 'surplus', g: 590 })
  })
})

describe('levels in the pot', () => {
  const bulk = (waterInsideG: number) => ({
    food: findFood('kidney-red')!,
    dryG: 270,
    texture: 'tender' as const,
    waterInsideG,
    isCooked: false,
  })

  it('fill the gaps of the heap before they rise above it', () => {
    const wet = bulk(250)
    const gaps = heapMl(wet) - solidMl(wet)
    expect(levelMl([wet], gaps / 2)).toBe(heapMl(wet))
    expect(liquidLineMl([wet], gaps / 2)).toBeCloseTo(heapMl(wet) / 2)
    expect(liquidLineMl([wet], gaps + 100)).toBeCloseTo(levelMl([wet], gaps + 100))
    expect(levelMl([wet], gaps + 100)).toBeCloseTo(heapMl(wet) + 100)
  })

  it('need more to cover the food in a wider pot', () => {
    expect(coveringMl([bulk(250)], 260)).toBeGreaterThan(coveringMl([bulk(250)], 180))
  })
})
