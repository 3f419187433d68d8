import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanAnswer } from './answer'
import { plan } from './plan'
import type { Content, PlanRequest } from './request.schema'
import { together } from './together'

const soaked = { hours: 10, waterC: 20, keepWater: false }
const BEANS: Content = { food: 'kidney-red', dryG: 200, soak: soaked, where: 'base' }
const CARROTS: Content = { food: 'carrot-chunks', dryG: 200, soak: null, where: 'base' }

const request = (contents: Content[], more: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 1450, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents,
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', heatUp: 'high' },
  release: 'auto',
  ...more,
})
function planned(asked: PlanRequest): PlanAnswer {
  const outcome = plan(asked)
  if (!outcome.ok) throw new Error(outcome.problems.map(({ code }) => code).join(' '))
  return outcome.value
}

describe('foods that go in later', () => {
  it('are left out of the first closing and done at the end, none lost', () => {
    const answer = planned(request([BEANS, { ...CARROTS, joins: 1 }]))
    const [beans, carrots] = answer.foods
    expect(planned(request([BEANS, CARROTS])).foods[1]!.doneness).toBe('lost')
    expect(beans!.gets).toBeGreaterThanOrEqual(beans!.needs)
    expect(carrots!.gets).toBeGreaterThanOrEqual(carrots!.needs)
    expect(carrots!.gets).toBeLessThan(carrots!.window.max)
    expect(answer.cautions.map(({ id }) => id)).not.toContain('overcooked')
    const later = answer.closings[1]
    expect(later!.adds).toEqual([1])
    expect(carrots!.gets).toBe(later!.foods[1]!.gets)
    // The beans get a part of what they need only once the carrots are in.
    expect(later!.foods[0]!.gets).toBeGreaterThan(0)
    const alone = planned(request([BEANS]))
    expect(answer.closings[0]!.range.figure).toBeLessThan(alone.closings[0]!.range.figure + 1)
    expect(answer.readyAtMinute).toBeGreaterThan(answer.closings[0]!.clock.openAtMinute + later!.clock.openAtMinute)
    expect(answer.closings.every(({ range }) => range.low <= range.figure && range.figure <= range.high)).toBe(true)
  })

  it('agree with the answer to when they should go in', () => {
    const asked = request([BEANS, CARROTS])
    const phased = together(asked)
    if (!phased.ok) throw new Error()
    const { closings, foods } = phased.value
    expect(closings.map(({ adds }) => adds)).toEqual([[0], [1]])
    const answer = planned(request([BEANS, { ...CARROTS, joins: 1 }]))
    expect(Math.abs(answer.closings[0]!.range.figure - closings[0]!.range.figure)).toBeLessThanOrEqual(1)
    expect(Math.abs(answer.closings[1]!.range.figure - closings[1]!.range.figure)).toBeLessThanOrEqual(1)
    foods.forEach(({ gets }, i) => expect(Math.abs(answer.foods[i]!.gets / gets - 1)).toBeLessThan(0.35))
  })

  it('may come at three closings, none of them longer for what another will still do', () => {
    const answer = planned(
      request([
        { food: 'chickpea-white', dryG: 150, soak: soaked, where: 'base' },
        { food: 'potato-whole', dryG: 250, soak: null, where: 'base', joins: 1 },
        { food: 'chicken-thigh', dryG: 150, soak: null, where: 'base', joins: 2 },
      ]),
    )
    expect(answer.closings.slice(1).map(({ adds }) => adds)).toEqual([[1], [2]])
    expect(answer.closings[1]!.foods.map(({ gets }) => gets)[2]).toBe(0)
    for (const { gets, needs, window } of answer.foods) {
      expect(gets).toBeGreaterThanOrEqual(needs - 1e-6)
      expect(gets).toBeLessThanOrEqual(window.max)
    }
    // The potatoes get a part of theirs with the chicken, and so less before.
    const alone = planned(request([BEANS, { food: 'potato-whole', dryG: 250, soak: null, where: 'base', joins: 1 }]))
    expect(answer.closings[1]!.foods[1]!.gets).toBeLessThan(alone.closings[1]!.foods[1]!.gets + 1)
  })

  it('count towards the fill: too much in the end is refused from the start', () => {
    const heap = { ...CARROTS, dryG: 2200, joins: 1 }
    const answer = planned(request([BEANS, heap]))
    expect(answer.fill.afterL).toBeGreaterThan(answer.fill.limitL)
    expect(answer.cautions).toContainEqual(expect.objectContaining({ id: 'too-full', severity: 'refuse' }))
  })

  it('bring the water that they drink, and what their closing boils away', () => {
    const rice: Content = { food: 'basmati-white', dryG: 150, soak: null, where: 'base', joins: 1 }
    const answer = planned(request([BEANS, rice]))
    expect(answer.closings[1]!.water.pourG).toBeGreaterThan(150)
    const carrots = planned(request([BEANS, { ...CARROTS, joins: 1 }])).closings[1]!
    expect(carrots.water.pourG).toBeLessThan(answer.closings[1]!.water.pourG)
    expect(answer.waterLeftG).toBeGreaterThan(0)
  })

  it('are counted without gaps, and the order of the list does not matter', () => {
    const straight = planned(request([BEANS, { ...CARROTS, joins: 1 }]))
    expect(planned(request([BEANS, { ...CARROTS, joins: 3 }]))).toEqual(straight)
    const turned = planned(request([{ ...CARROTS, joins: 1 }, BEANS]))
    expect(turned.closings.map(({ range }) => range)).toEqual(straight.closings.map(({ range }) => range))
    expect(turned.closings[1]!.adds).toEqual([0])
    expect(planned(request([{ ...BEANS, joins: 2 }])).closings).toHaveLength(1)
  })

  it('are refused where the pot ends by itself', () => {
    const outcome = plan(
      request([{ ...CARROTS }, { ...CARROTS, food: 'potato-whole', joins: 1 }], {
        cooker: 'rice-1l',
        style: { kind: 'rice-cooker' },
      }),
    )
    expect(outcome.ok || outcome.problems.map(({ code }) => code)).toEqual(['decides-itself'])
  })

  it('hold for any pair of foods and any pot: all done, the first as wet as wanted', () => {
    const early = fc.constantFrom('kidney-red', 'chickpea-white', 'navy-bean', 'red-rice')
    const late = fc.constantFrom('carrot-chunks', 'basmati-white', 'masoor-split', 'egg', 'squash-cubes')
    const cooker = fc.constantFrom(
      ['whistling-5l-aluminium', { kind: 'whistles', flame: 'medium' }] as const,
      ['whistling-5l-aluminium', { kind: 'first-whistle-then-low' }] as const,
      ['electric-6l', { kind: 'electric', level: 'high' }] as const,
    )
    fc.assert(
      fc.property(early, late, cooker, fc.integer({ min: 60, max: 250 }), (one, other, [pot, style], dryG) => {
        const outcome = plan(
          request(
            [
              { food: one, dryG, soak: soaked, where: 'base' },
              { food: other, dryG: 120, soak: null, where: 'base', joins: 1 },
            ],
            { cooker: pot, style },
          ),
          { range: false },
        )
        if (!outcome.ok) {
          expect(outcome.problems.map(({ code }) => code)).not.toContain('boils-dry')
          return
        }
        const { foods, closings, waterLeftG } = outcome.value
        for (const { gets, needs } of foods) expect(gets).toBeGreaterThanOrEqual(needs - 1e-6)
        expect(closings).toHaveLength(2)
        expect(closings[1]!.water.pourG).toBeGreaterThanOrEqual(0)
        expect(waterLeftG).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: 60 },
    )
  })
})
