import { describe, expect, it } from 'vitest'
import { isRefused } from '../safety/rules'
import { batchesOf } from './batches'
import { plan } from './plan'
import type { PlanRequest } from './request.schema'

const pinto = (dryG: number, change: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 0, roomC: 20, tapC: 18 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [{ food: 'pinto', dryG, soak: { hours: 9, waterC: 18, keepWater: false }, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', heatUp: 'high' },
  release: 'auto',
  ...change,
})
const fits = (request: PlanRequest) => {
  const outcome = plan(request, { range: false })
  return outcome.ok && !isRefused(outcome.value.cautions)
}

describe('more than a pot takes', () => {
  it('is cooked in equal runs, none too full, and no fewer would do', () => {
    for (const dryG of [800, 1500, 2400]) {
      const { mostG, eachG, runs, minutes, minutesEach } = batchesOf(pinto(dryG))!
      expect(eachG * runs).toBeCloseTo(dryG, 6)
      expect(fits(pinto(eachG))).toBe(true)
      expect(fits(pinto(mostG))).toBe(true)
      expect(fits(pinto(mostG * 1.03))).toBe(false)
      expect(runs === 1 || fits(pinto(dryG / (runs - 1)))).toBe(false)
      expect(minutes).toBeGreaterThan(runs * minutesEach)
    }
  })

  it('is nothing to speak of where it fits, or hardly anything would', () => {
    expect(batchesOf(pinto(250))).toBeNull()
    expect(batchesOf(pinto(12_000))).toBeNull()
  })

  it('takes its sauce in parts too, and forgets what the cook meant to pour for all of it', () => {
    const sauced = pinto(900, { liquids: [{ kind: 'chopped-tomato', g: 900 }], given: [{ pourG: 3000 }] })
    const plain = batchesOf(pinto(900))!
    expect(batchesOf(sauced)!.mostG).toBeLessThan(plain.mostG)
  })
})
