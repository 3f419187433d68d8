import { describe, expect, it } from 'vitest'
import { findFood } from '../food/catalogue'
import { leftoversOfPot } from './keep'

const food = (id: string, dryG: number, tinWaterG: number | null = null) => ({
  food: id,
  dryG,
  texture: 'tender' as const,
  gets: 80,
  tinWaterG,
})

describe('what comes out of a pot', () => {
  it('is one food that weighs more than it did dry, and is that food in a dish later', () => {
    const [only, ...others] = leftoversOfPot([food('pinto', 300)], findFood)
    expect(others).toEqual([])
    const { massG, portions, cooked } = only!.leftover
    expect(massG).toBeGreaterThan(600)
    expect(massG).toBeLessThan(900)
    expect(portions).toBe(Math.round(massG / 180))
    expect(cooked.food).toMatchObject({ id: 'pinto', boilMinutes: 80 })
    expect(cooked.food!.dryShare * massG).toBeCloseTo(300, 6)
    expect(cooked.hasRice).toBeUndefined()
  })

  it('is all of the base together, and each tin by itself', () => {
    const found = leftoversOfPot(
      [food('toor-split', 100), food('brown-long', 150, 280), food('split-peas', 80)],
      findFood,
    )
    expect(found.map(({ contents }) => contents)).toEqual([[0, 2], [1]])
    expect(found[0]!.leftover.cooked).toMatchObject({ food: null, salt: 0, fat: 0 })
    expect(found[1]!.leftover.cooked).toMatchObject({ food: { id: 'brown-long' }, hasRice: true })
  })

  it('is nothing of a food that nobody knows any more', () => {
    expect(leftoversOfPot([food('gone', 100)], findFood)).toEqual([])
  })
})
