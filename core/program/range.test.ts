import { describe, expect, it } from 'vitest'
import type { PlanAnswer } from './answer'
import { plan } from './plan'
import type { PlanRequest } from './request.schema'

const answer = (change: Partial<PlanRequest> = {}): PlanAnswer => {
  const outcome = plan({
    kitchen: { altitudeM: 0, roomC: 22, tapC: 20 },
    cooker: 'whistling-5l-aluminium',
    burner: 'strong',
    contents: [{ food: 'navy-bean', dryG: 300, soak: { hours: 10, waterC: 20, keepWater: false }, where: 'base' }],
    liquids: [],
    freeLiquid: 'spoonable',
    style: { kind: 'whistles', flame: 'medium' },
    release: 'auto',
    ...change,
  })
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return outcome.value
}

describe('the range', () => {
  it('is wider for whistles, which a flame decides, than for a device that holds its pressure', () => {
    const spread = ({ closings }: PlanAnswer) => {
      const { range } = closings[0]!
      return (range.high - range.low) / range.figure
    }
    const whistles = spread(answer({ style: { kind: 'whistles', flame: 'high' } }))
    const clock = spread(answer({ style: { kind: 'clock', flame: 'medium' } }))
    expect(clock).toBeLessThan(whistles)
  })

  it('holds the figure, and each food’s band holds what it gets', () => {
    for (const style of [{ kind: 'first-whistle-then-low' }, { kind: 'clock', flame: 'high' }] as const) {
      const { closings, foods } = answer({ style })
      const { range } = closings[0]!
      expect(range.low).toBeLessThanOrEqual(range.figure)
      expect(range.high).toBeGreaterThanOrEqual(range.figure)
      for (const { gets, getsLow, getsHigh } of foods) {
        expect(getsLow).toBeLessThan(gets)
        expect(getsHigh).toBeGreaterThan(gets)
      }
    }
  })

  it('is the figure alone when nobody asked for it', () => {
    const outcome = plan({ ...requestOf(answer()), style: { kind: 'whistles', flame: 'medium' } }, { range: false })
    expect(outcome.ok && outcome.value.closings[0]!.range.low === outcome.value.closings[0]!.range.high).toBe(true)
  })
})

/** The request behind an answer, as far as these tests need it. */
function requestOf({ closings }: PlanAnswer): PlanRequest {
  return {
    kitchen: { ...closings[0]!.case.place, tapC: 20 },
    cooker: { appliance: closings[0]!.case.appliance },
    burner: 'strong',
    contents: [{ food: 'navy-bean', dryG: 300, soak: null, where: 'base' }],
    liquids: [],
    style: { kind: 'whistles', flame: 'medium' },
    release: 'auto',
  }
}

describe('the first check', () => {
  it('is late for beans, which stand more, and early for what would be lost', () => {
    const beans = answer()
    expect(beans.closings[0]!.firstCheck).toEqual({ figure: beans.closings[0]!.range.high, reason: 'stands-more' })
    const cabbage = answer({
      contents: [{ food: 'cauliflower', dryG: 400, soak: null, where: 'base' }],
      style: { kind: 'open', lid: true },
      cooker: 'open-3l',
    })
    expect(cabbage.closings[0]!.firstCheck.figure).toBeGreaterThanOrEqual(cabbage.closings[0]!.range.low)
    expect(cabbage.closings[0]!.firstCheck.figure).toBeLessThanOrEqual(cabbage.closings[0]!.range.high)
  })
})

describe('a long count', () => {
  it.each(['black-rice', 'chickpea-white', 'wheat-berries', 'soybean'])(
    'grows with a shorter soak, and is not refused for what it may come to: %s',
    (food) => {
      const ranges = [9, 1, 0.5].map((hours) => {
        const soak = { hours, waterC: 20, keepWater: false }
        const contents = [{ food, dryG: 200, soak, where: 'base' as const }]
        return answer({ cooker: 'whistling-3l-steel', contents }).closings[0]!.range
      })
      for (const [i, { figure, low, high }] of ranges.entries()) {
        expect(low).toBeLessThan(figure)
        expect(high).toBeGreaterThan(figure)
        if (i > 0) expect(figure).toBeGreaterThanOrEqual(ranges[i - 1]!.figure)
      }
    },
  )
})
