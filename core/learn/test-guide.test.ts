import { describe, expect, it } from 'vitest'
import { BURNERS, COOKERS } from '../pot/cookers'
import { stepAfter, TEST_STEPS, testWaterG } from './test-guide'
import { fitWaterTest, type TestMark } from './water-test'

describe('the guide of a water test', () => {
  it.each(Object.keys(TEST_STEPS) as (keyof typeof TEST_STEPS)[])('leads through a %s to the weighing', (kind) => {
    const marks: TestMark[] = []
    for (let next = stepAfter(kind, marks); next; next = stepAfter(kind, marks)) {
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
    const waterG = testWaterG(kind, cooker.body.capacityL)
    const test = { waterG, leftG: waterG - 40, startC: 18, place: { altitudeM: 0, roomC: 20 }, marks }
    const outcome = fitWaterTest(test, { appliance: cooker.appliance, burner: BURNERS.strong })
    if (!outcome.ok) expect(outcome.problems.map(({ code }) => code)).not.toContain('test-incomplete')
  })

  it('asks for water that leaves the pot far from full and from dry', () => {
    for (const { appliance, body } of Object.values(COOKERS)) {
      const waterG = testWaterG(appliance.kind, body.capacityL)
      expect(waterG).toBeGreaterThanOrEqual(Math.min(body.minimumLiquidG, 500))
      expect(waterG / 1000).toBeLessThan(body.capacityL / 2)
    }
  })
})
