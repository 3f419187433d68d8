import { describe, expect, it } from 'vitest'
import { plan } from '../../program/plan'
import type { PlanRequest } from '../../program/request.schema'
import { isRefused } from '../../safety/rules'
import { CUP_ML } from '../../measure/measure'
import { findFood } from '../../food/catalogue'

const RICE_CUP_ML = 180
const planned = (cooker: string, food: string, dryG: number, liquids: PlanRequest['liquids'] = []) =>
  plan(
    {
      kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
      cooker,
      contents: [{ food, dryG, soak: null, where: 'base' }],
      liquids,
      style: { kind: 'rice-cooker' },
      release: 'auto',
    },
    { range: false },
  )

describe('a rice cooker', () => {
  it.each([
    ['rice-0.6l', 3],
    ['rice-1l', 5.5],
    ['rice-1.8l', 10],
  ])('%s takes the %d rice-cups that it is sold by, with their water', (cooker, riceCups) => {
    const dryG = (riceCups * RICE_CUP_ML * findFood('long-white')!.cupG!) / CUP_ML
    const outcome = planned(cooker, 'long-white', dryG)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
    expect(isRefused(outcome.value.cautions)).toBe(false)
    expect(outcome.value.becomes).toBe('separate')
  })

  it.each(['basmati-white', 'long-white', 'jasmine-white', 'short-white'])(
    'takes two rice-cups of %s with as much water as the makers mark: 1.1 to 1.25 by volume, within a tenth',
    (food) => {
      const outcome = planned('rice-1l', food, (2 * RICE_CUP_ML * findFood(food)!.cupG!) / CUP_ML)
      if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
      const { ratioByVolume } = outcome.value.closings[0]!.water
      expect(ratioByVolume).toBeGreaterThan(1.1 * 0.9)
      expect(ratioByVolume).toBeLessThan(1.25 * 1.1)
    },
  )

  it('refuses what would boil over', () => {
    const outcome = planned('rice-1l', 'long-white', 1600)
    expect(outcome.ok ? isRefused(outcome.value.cautions) : true).toBe(true)
  })

  it.each(['vegetable', 'onion', 'sauce'] as const)('takes less than three times as long with a kilo of %s', (kind) => {
    const minutes = (liquids: PlanRequest['liquids']) => {
      const outcome = planned('rice-1l', 'basmati-white', 200, liquids)
      return outcome.ok ? outcome.value.closings[0]!.clock.heatOffAtMinute : NaN
    }
    expect(minutes([{ kind, g: 1000 }])).toBeGreaterThan(minutes([]))
    expect(minutes([{ kind, g: 1000 }])).toBeLessThan(3 * minutes([]))
  })

  it('of 1 L cooks 300 g of jasmine rice', () => {
    const outcome = planned('rice-1l', 'jasmine-white', 300)
    expect(outcome.ok && !isRefused(outcome.value.cautions)).toBe(true)
  })
})
