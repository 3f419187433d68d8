import { describe, expect, it } from 'vitest'
import { lostCount, MOST_COUNTED, planCountable } from './count'
import { CLOSEST_COUNTED_S } from './flame'
import { plan } from './plan'
import type { PlanRequest } from './request.schema'

const pot = (food: string, change: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [{ food, dryG: 270, soak: { hours: 8, waterC: 18, keepWater: false }, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
  ...change,
})
const unsoaked = (food: string, style: PlanRequest['style']) =>
  pot(food, { style, contents: [{ food, dryG: 270, soak: null, where: 'base' }] })
const valueOf = (outcome: ReturnType<typeof plan>) => {
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return outcome.value
}

describe('a count of whistles', () => {
  it('is asked for as long as somebody can keep it', () => {
    const { request, instead } = planCountable(pot('toor-split'))
    expect(instead).toBeNull()
    expect(request.style).toEqual({ kind: 'whistles', flame: 'medium' })
  })

  it('of too many gives way to a lower flame or to one whistle and a low flame', () => {
    const asked = unsoaked('chickpea-white', { kind: 'whistles', flame: 'medium' })
    const { request, outcome, instead } = planCountable(asked)
    expect(instead).toMatchObject({ reason: 'too-many' })
    expect(instead!.whistles).toBeGreaterThan(MOST_COUNTED)
    expect(instead!.whistles).toBe(valueOf(plan(asked)).closings[0]!.range.figure)
    expect(request.style).not.toEqual(asked.style)
    const taken = valueOf(outcome)
    expect(lostCount(taken)).toBeNull()
    // It cooks the food as well as the count would have.
    expect(taken.foods[0]!.gets).toBeGreaterThanOrEqual(taken.foods[0]!.needs)
  })

  it('of too close ones gives way, however few they are', () => {
    const asked = pot('bulgur-coarse', { style: { kind: 'whistles', flame: 'high' } })
    const counted = valueOf(plan(asked)).closings[0]!
    expect(counted.range.figure).toBeLessThanOrEqual(MOST_COUNTED)
    expect(counted.program.whistleEveryS).toBeLessThan(CLOSEST_COUNTED_S)
    const { instead, outcome } = planCountable(asked)
    expect(instead).toMatchObject({ reason: 'too-close', whistles: counted.range.figure })
    expect(lostCount(valueOf(outcome))).toBeNull()
  })

  it('gives way by itself, whatever figure the cook tries on it', () => {
    const asked = unsoaked('chickpea-white', { kind: 'whistles', flame: 'medium' })
    const free = planCountable(asked)
    const tried = planCountable({ ...asked, given: [{ figure: 5 }] })
    expect(tried.request.style).toEqual(free.request.style)
    expect(valueOf(tried.outcome).closings[0]!.range.figure).toBe(5)
  })

  it('is not spoken of where nothing is counted, or only one whistle comes', () => {
    expect(lostCount(valueOf(plan(pot('navy-bean', { style: { kind: 'clock', flame: 'high' } }))))).toBeNull()
    const one = pot('long-white', { given: [{ figure: 1 }] })
    expect(valueOf(plan(one)).closings[0]!.program.whistleEveryS).toBeNull()
    expect(lostCount(valueOf(plan(one)))).toBeNull()
  })

  it('stays where no other way can be had', () => {
    // No flame but one: what is lower does not lift the weight.
    const burner = { high: 1300, medium: 1250, low: 60, simmer: 50 }
    const asked = pot('navy-bean', { burner, style: { kind: 'whistles', flame: 'medium' } })
    const { request, instead } = planCountable(asked)
    expect(lostCount(valueOf(plan(asked)))).not.toBeNull()
    expect(request.style).toEqual(asked.style)
    expect(instead).toBeNull()
  })
})
