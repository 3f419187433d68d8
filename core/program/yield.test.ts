import { describe, expect, it } from 'vitest'
import { findFood } from '../food/catalogue'
import { fuelOf, yieldOf } from './yield'

describe('what comes of it', () => {
  it.each([
    // A cup of these makes about three, as cooks know it.
    ['long-white', 185, 'separate', 2.4, 3.4],
    ['navy-bean', 205, 'tender', 2, 3.2],
    ['toor-split', 200, 'soft', 2, 3.4],
  ] as const)('a cup of %s is %d to %d cups', (food, dryG, texture, least, most) => {
    const { cups, cookedG, portions } = yieldOf(findFood(food)!, dryG, texture)
    expect(cups).toBeGreaterThan(least)
    expect(cups).toBeLessThan(most)
    expect(cookedG).toBeGreaterThan(2 * dryG)
    expect(portions).toBeGreaterThanOrEqual(2)
  })

  it('grows with the batch, and is weighed where it is counted in pieces', () => {
    const rice = (g: number) => yieldOf(findFood('long-white')!, g, 'separate')
    expect(rice(400).cookedG).toBeCloseTo(2 * rice(200).cookedG)
    expect(rice(400).cups!).toBeCloseTo(2 * rice(200).cups!)
    expect(yieldOf(findFood('egg')!, 342, 'tender')).toMatchObject({ cookedG: 342, cups: null })
    expect(yieldOf(findFood('long-white')!, 10, 'separate').portions).toBe(1)
  })

  it('costs gas on a flame and current in what heats itself', () => {
    expect(fuelOf(920, { kind: 'whistling' })).toEqual({ unit: 'gas', amount: 40 })
    const electric = fuelOf(684, { kind: 'electric' })
    expect(electric.unit).toBe('current')
    expect(electric.amount).toBeCloseTo(200)
  })
})
