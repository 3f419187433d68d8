import { describe, expect, it } from 'vitest'
import { fitWaterTest } from '../learn/water-test'
import { BURNERS } from './burner'
import { COOKERS, KIND_NAMES, kindOf } from './appliance'
import { stepAfter } from './test-guide'
import type { TestMark } from './water-test.schema'

describe('the guide of a water test', () => {
  it.each(KIND_NAMES)('leads through a %s to the weighing', (kind) => {
    const marks: TestMark[] = []
    const { steps, waterG: amount } = kindOf({ kind }).test
    for (let next = stepAfter(steps, marks); next; next = stepAfter(steps, marks)) {
      const minute = marks.length * 4
      const { mark } = next.step
      marks.push(
        mark.kind === 'temperature'
          ? { kind: 'temperature', minute, tempC: 40 + minute }
          : ({ ...mark, minute } as TestMark),
      )
      expect(marks.length).toBeLessThan(20)
    }
    // Whoever follows it has done a whole test, whatever its times are worth.
    const cooker = Object.values(COOKERS).find(({ appliance }) => appliance.kind === kind)!
    const waterG = amount(cooker.body.capacityL)
    const test = { waterG, leftG: waterG - 40, startC: 18, place: { altitudeM: 0, roomC: 20 }, marks }
    const outcome = fitWaterTest(test, { appliance: cooker.appliance, burner: BURNERS.strong })
    if (!outcome.ok) expect(outcome.problems.map(({ code }) => code)).not.toContain('test-incomplete')
  })

  it('asks for water that leaves the pot far from full and from dry', () => {
    for (const { appliance, body } of Object.values(COOKERS)) {
      const waterG = kindOf(appliance).test.waterG(body.capacityL)
      expect(waterG).toBeGreaterThanOrEqual(Math.min(body.minimumLiquidG, 500))
      expect(waterG / 1000).toBeLessThan(body.capacityL / 2)
    }
  })
})
