import { describe, expect, it } from 'vitest'
import { CATALOGUE, findFood } from './catalogue'
import { pieceG, pieceMm } from './pieces'

const counted = CATALOGUE.filter((food) => Array.isArray(food.pieceG))

describe('a food that is counted', () => {
  it('weighs what its pieces do: a large one more than a middling one, and that more than a small one', () => {
    expect(counted.length).toBeGreaterThan(3)
    for (const food of counted) {
      const [small, medium, large] = (['small', 'medium', 'large'] as const).map((size) => pieceG(food, size))
      expect(small!).toBeGreaterThan(20)
      expect(medium!).toBeGreaterThan(small!)
      expect(large!).toBeGreaterThan(medium!)
      // Nothing that is counted one by one is a meal for many.
      expect(large!).toBeLessThan(400)
    }
    expect(pieceG(findFood('egg')!, 'medium')).toBeCloseTo(57, -1)
    expect(pieceG(findFood('toor-split')!, 'medium')).toBeNaN()
  })

  it('is as thick as its weight says, and thinner when it is cut', () => {
    for (const food of counted) {
      expect(pieceMm(food, 'medium', 'whole')).toBe(food.sizeMm)
      expect(pieceMm(food, 'large', 'whole')).toBeGreaterThan(pieceMm(food, 'small', 'whole'))
      expect(pieceMm(food, 'medium', 'halves')).toBe(Math.round(food.sizeMm / 2))
      expect(pieceMm(food, 'medium', 'quarters')).toBeLessThan(pieceMm(food, 'medium', 'halves'))
    }
  })
})
