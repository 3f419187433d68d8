import { describe, expect, it } from 'vitest'
import type { PlanAnswer } from './answer'
import { plan } from './plan'
import type { PlanRequest } from './request.schema'

const chickpeas = (soak: PlanRequest['contents'][number]['soak'], dryG = 300): PlanAnswer => {
  const outcome = plan(
    {
      kitchen: { altitudeM: 0, roomC: 25, tapC: 20 },
      cooker: 'whistling-5l-aluminium',
      burner: 'strong',
      contents: [{ food: 'chickpea-white', dryG, soak, where: 'base' }],
      liquids: [],
      freeLiquid: 'drained',
      style: { kind: 'whistles', flame: 'medium' },
      release: 'auto',
    },
    { range: false },
  )
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return outcome.value
}
const soak = { hours: 12, waterC: 25 }

describe('soaking water that is kept and measured', () => {
  // What the food drank of it stands in the food: beside it is only the rest.
  const drained = chickpeas({ ...soak, keepWater: false })
  const [{ water }] = drained.closings as [PlanAnswer['closings'][0]]
  const heldG = -water.lines.find(({ id }) => id === 'held')!.g

  it('covers the food as well as fresh water does', () => {
    for (const soakWaterG of [450, 600, 800]) {
      const kept = chickpeas({ ...soak, keepWater: true, waterG: soakWaterG })
      const beside = soakWaterG - heldG + kept.closings[0]!.water.pourG
      expect(Math.abs(beside - water.pourG)).toBeLessThan(8)
      expect(kept.closings[0]!.range.figure).toBe(drained.closings[0]!.range.figure)
    }
  })

  it('keeps the cooker’s least liquid as well', () => {
    const few = chickpeas({ ...soak, keepWater: false }, 40)
    const held = -few.closings[0]!.water.lines.find(({ id }) => id === 'held')!.g
    const kept = chickpeas({ ...soak, keepWater: true, waterG: 60 }, 40)
    expect(few.closings[0]!.water.rule).not.toBe('balance')
    expect(60 - held + kept.closings[0]!.water.pourG).toBeGreaterThanOrEqual(few.closings[0]!.water.pourG - 5)
  })

  it('drowns nothing: more than is needed is simply there', () => {
    const kept = chickpeas({ ...soak, keepWater: true, waterG: 2000 })
    expect(kept.closings[0]!.water.pourG).toBe(0)
    expect(kept.closings[0]!.water.lines.reduce((sum, { g }) => sum + g, 0)).toBe(0)
  })
})
