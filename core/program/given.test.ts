import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isRefused } from '../safety/rules'
import { plan } from './plan'
import type { PlanRequest } from './request.schema'

const beans = (change: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  contents: [{ food: 'navy-bean', dryG: 300, soak: { hours: 9, waterC: 20, keepWater: false }, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
  ...change,
})
const answered = (request: PlanRequest) => {
  const outcome = plan(request)
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return outcome.value
}

describe('what if the cook takes other figures', () => {
  it('gives the computed plan when the given figures are the computed ones', () => {
    const computed = answered(beans())
    const { pourG, figure } = computed.closings[0]!.planned
    const same = answered(beans({ given: [{ pourG, figure }] }))
    expect(same.closings[0]!.water).toEqual(computed.closings[0]!.water)
    expect(same.closings[0]!.range).toEqual(computed.closings[0]!.range)
    expect(same.foods[0]!.gets).toBeCloseTo(computed.foods[0]!.gets, 6)
  })

  it('adds up, and cooks longer, whatever is given', () => {
    const computed = answered(beans())
    fc.assert(
      fc.property(fc.integer({ min: 700, max: 1900 }), fc.integer({ min: 1, max: 25 }), (pourG, figure) => {
        const answer = answered(beans({ given: [{ pourG, figure }] }))
        expect(answer.closings[0]!.water.lines.reduce((sum, { g }) => sum + g, 0)).toBe(pourG)
        expect(answer.closings[0]!.program.whistles).toBe(figure)
        expect(answer.closings[0]!.planned).toEqual(computed.closings[0]!.planned)
        // What the pot needs does not change because somebody runs it otherwise.
        expect([answer.closings[0]!.range.low, answer.closings[0]!.range.high]).toEqual([
          computed.closings[0]!.range.low,
          computed.closings[0]!.range.high,
        ])
        const more = answered(beans({ given: [{ pourG, figure: figure + 1 }] }))
        expect(more.foods[0]!.gets).toBeGreaterThan(answer.foods[0]!.gets)
      }),
      { numRuns: 15 },
    )
  })

  it('says how wet it comes out', () => {
    const rice = beans({
      contents: [{ food: 'basmati-white', dryG: 200, soak: null, texture: 'separate', where: 'base' }],
    })
    const { pourG } = answered(rice).closings[0]!.planned
    const fates = [0.8, 1, 1.5, 2.5].map((times) => answered({ ...rice, given: [{ pourG: pourG * times }] }).becomes)
    expect(fates[1]).toBe('separate')
    expect(new Set(fates).size).toBe(4)
    const dry = answered({ ...rice, given: [{ pourG: pourG * 0.8 }] })
    expect(dry.cautions.map(({ id }) => id)).toContain('too-dry')
  })

  it('says so of rice that has soaked, and of rice with a dal that drinks its share, as of rice alone', () => {
    const soak = { hours: 2, waterC: 20, keepWater: false }
    const rice = (soaked: boolean) => ({
      food: 'basmati-white',
      dryG: 200,
      soak: soaked ? soak : null,
      where: 'base' as const,
    })
    const dal = (soaked: boolean) => ({ ...rice(soaked), food: 'moong-split', dryG: 150 })
    for (const contents of [[rice(false)], [rice(true)], [rice(false), dal(false)], [rice(true), dal(true)]]) {
      const plain = answered(beans({ contents, freeLiquid: 'drained' }))
      expect(['separate', 'soft']).toContain(plain.becomes)
      const { pourG } = plain.closings[0]!.planned
      expect(answered(beans({ contents, freeLiquid: 'drained', given: [{ pourG: pourG + 200 }] })).becomes).toBe(
        'sticky',
      )
    }
  })

  it('lets the safety rules have the last word', () => {
    const kidney = beans({ contents: [{ ...beans().contents[0]!, food: 'kidney-red' }] })
    expect(isRefused(answered(kidney).cautions)).toBe(false)
    const short = answered({ ...kidney, given: [{ figure: 1 }] })
    expect(short.cautions.find(({ id }) => id === 'lectin-not-done')?.severity).toBe('refuse')
    const thin = answered(beans({ given: [{ pourG: 60, figure: 1 }] }))
    expect(thin.cautions.find(({ id }) => id === 'too-little-liquid')?.severity).toBe('refuse')
    const full = answered(beans({ given: [{ pourG: 3200 }] }))
    expect(full.cautions.find(({ id }) => id === 'too-full')?.severity).toBe('refuse')
  })

  it('says so when the pot would boil dry, and refuses nonsense', () => {
    const dry = plan(beans({ given: [{ pourG: 120, figure: 40 }] }))
    expect(dry.ok ? [] : dry.problems.map(({ code }) => code)).toEqual(['boils-dry'])
    const nonsense = plan(beans({ given: [{ pourG: -5, figure: Number.NaN }], spread: { flame: 7 } }))
    expect(nonsense.ok ? [] : nonsense.problems.map(({ path }) => path)).toEqual([
      'given.0.pourG',
      'given.0.figure',
      'spread.flame',
    ])
  })

  it('runs a device that decides for itself with the water it was given', () => {
    const rice = beans({
      cooker: 'rice-1l',
      style: { kind: 'rice-cooker' },
      contents: [{ food: 'basmati-white', dryG: 180, soak: null, where: 'base' }],
    })
    const { pourG } = answered(rice).closings[0]!.planned
    const more = answered({ ...rice, given: [{ pourG: pourG + 80, figure: 3 }] })
    expect(more.closings[0]!.clock.heatOffAtMinute).toBeGreaterThan(answered(rice).closings[0]!.clock.heatOffAtMinute)
  })
})

describe('what has been measured', () => {
  it('narrows the range', () => {
    const { low, high } = answered(beans()).closings[0]!.range
    const measured = answered(beans({ spread: { flame: 0.03, lift: 0.03, batch: 0.05 } })).closings[0]!.range
    expect(measured.high - measured.low).toBeLessThan(high - low)
  })
})
