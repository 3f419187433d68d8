import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { runEventSchema } from '../core/live/event.schema'
import { createFollower } from '../core/live/follow'
import { plan } from '../core/program/plan'
import { simulate } from '../core/pot/simulate'
import { readDocument, readOwn } from './document'
import { COOKERS } from '../core/appliance/appliance'
import { USUAL_LIKES } from './kitchen'
import { KITCHEN } from './kitchen.schema'
import { PLAN } from './plan.schema'
import { POT, POT_FILE } from './pot.schema'
import { requestOf } from './pot-request'

// Documents as the first shape was written; nothing in them was made by today's code.
const kept = <T>(name: string) =>
  JSON.parse(readFileSync(new URL(`./first-shape/${name}.json`, import.meta.url), 'utf8')) as T
interface FirstAnswer {
  water: { pourG: number }
  range: { figure: number }
  foods: { gets: number }[]
  later?: { range: { figure: number }; addWaterG: number }[]
}
const plans = kept<{ request: object; answer: FirstAnswer }[]>('plans')
const pots = kept<object[]>('pots')
const kitchen = readOwn(KITCHEN, kept('kitchen'))

describe('a document of the first shape', () => {
  it('is read as the kitchen that it was', () => {
    const { version: _, ...before } = kept<Record<string, unknown>>('kitchen')
    expect(kitchen).toEqual({ ...before, likes: USUAL_LIKES, shape: 3 })
  })

  it('takes a rice cooker for one that is sold by litres of dry rice, but leaves a measured one alone', () => {
    const appliance = { kind: 'rice', metalKg: 0.7, metalJPerKgK: 800, lossWPerK: 1, reflux: 0.45 }
    const body = { capacityL: 1, innerDiameterMm: 150, innerHeightMm: 57, minimumLiquidG: 120 }
    const rice = (n: number, heaterW: number) => ({
      id: `0de70000-0000-4000-8000-00000000001${n}`,
      name: 'Rice cooker',
      cooker: { appliance: { ...appliance, heaterW }, body },
      tests: [],
    })
    const second = { ...kitchen, shape: 2, likes: undefined, cookers: [rice(1, 380), rice(2, 402)] }
    const { cookers } = readOwn(KITCHEN, second)
    expect(cookers[0]!.cooker).toEqual(COOKERS['rice-1l'])
    expect(cookers[1]!.cooker.body).toEqual(body)
  })

  it('is read as the pot that it was: what was given, in tins or loose, and in its closings', () => {
    const [loose, phases, stack] = pots.map((pot) => readOwn(POT, pot))
    expect(loose).toMatchObject({ given: [{ pourG: 700, figure: null }], inTins: false })
    expect(phases).toMatchObject({ given: [], inTins: false, items: [{ joins: 0 }, { joins: 1 }] })
    expect(stack).toMatchObject({ inTins: true, stack: { tiers: [[expect.any(String)]] } })
  })

  it('asks for the same plan as when it was kept', () => {
    pots.forEach((pot, i) => {
      const read = readOwn(POT, pot)
      const cooker = kitchen.cookers[i === 2 ? 1 : 0]!
      const request = requestOf(read, kitchen, cooker, i === 2 ? 'electric' : 'whistles', Date.parse('2026-11-25'))!
      expect(request.contents).toEqual(readOwn(PLAN, plans[i], 1).request.contents)
    })
  })

  it('is read as the pot file that it was, and once more in today’s shape', () => {
    const file = readOwn(POT_FILE, kept('pot-file'), 1)
    expect(file).toMatchObject({ version: 2, name: 'Beans and carrots', pot: { items: [{ joins: 0 }, { joins: 1 }] } })
    expect(readDocument(POT_FILE, file, 2).ok).toBe(true)
  })

  it.each(plans.map((one, i) => [i, one] as const))('is read as the answer that was given: plan %i', (_, before) => {
    const { answer } = readOwn(PLAN, before, 1)
    const { later = [] } = before.answer
    expect(answer.closings).toHaveLength(1 + later.length)
    expect(answer.closings[0]).toMatchObject({ water: before.answer.water, range: before.answer.range })
    later.forEach(({ range, addWaterG }, i) =>
      expect(answer.closings[i + 1]).toMatchObject({ range, water: { pourG: addWaterG } }),
    )
    // What the foods get adds up over the closings.
    before.answer.foods.forEach(({ gets }, i) =>
      expect(answer.closings.reduce((sum, { foods }) => sum + foods[i]!.gets, 0)).toBeCloseTo(gets, 6),
    )
    // Its case still simulates to what it said then, and its run can be followed.
    const [{ case: pot, foods }] = answer.closings as [(typeof answer.closings)[0]]
    simulate(pot).boilMinutes.forEach((got, i) => {
      if (!pot.foods[i]!.absent) expect(Math.abs(got - foods[i]!.gets)).toBeLessThan(0.02 * foods[i]!.gets + 0.05)
    })
  })

  it('is followed at the stove, through its later closings', () => {
    const { request, answer } = readOwn(PLAN, plans[1], 1)
    const id = '0de70000-0000-4000-8000-0000000000a1'
    const following = createFollower({ request, answer })([{ id, at: 0, data: { kind: 'lit' } }], 60_000)
    expect(following.advice!.planned).toBe(answer.closings[0]!.range.figure)
    expect(following.course.still.some((minutes) => minutes > 0)).toBe(true)
  })

  it('is planned anew, by what is known of its foods today', () => {
    for (const one of plans) {
      const { request } = readOwn(PLAN, one, 1)
      const outcome = plan(request)
      expect(outcome.ok).toBe(true)
      if (!outcome.ok) continue
      const { range, water } = outcome.value.closings[0]!
      expect(range.figure).toBeGreaterThan(0.3 * one.answer.range.figure)
      // What carries lectin is planned with a margin since.
      expect(range.figure).toBeLessThan(2.5 * one.answer.range.figure)
      expect(Math.abs(water.pourG - one.answer.water.pourG)).toBeLessThan(0.2 * one.answer.water.pourG)
    }
  })
})

describe('events of the first shape', () => {
  it('are read as they were, one of each kind', () => {
    const events = kept<{ data: { kind: string } }[]>('events')
    expect(new Set(events.map(({ data }) => data.kind)).size).toBe(18)
    for (const one of events) expect(runEventSchema.parse(one)).toEqual(one)
  })
})

describe('reading a document', () => {
  it('tells one of a later version from one that is none', () => {
    expect(readDocument(POT, { ...readOwn(POT, pots[0]), shape: 9 })).toMatchObject({ ok: false, reason: 'newer' })
    for (const none of [null, 7, 'pot', {}, { items: 3 }, { items: [], given: null }])
      expect(readDocument(POT, none)).toMatchObject({ ok: false, reason: 'unreadable' })
  })

  it('says where it does not fit', () => {
    const read = readDocument(KITCHEN, { ...kitchen, altitudeM: 90_000 })
    expect(read).toMatchObject({
      ok: false,
      problems: [{ path: 'altitudeM', code: 'above-most', params: { max: 5000 } }],
    })
  })
})
