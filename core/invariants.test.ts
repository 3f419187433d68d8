import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dishRequests, drawn, planRequests, stackAsks, typedAmounts } from '../tests/draws'
import { cookedAnyhow } from '../tests/drawn-run'
import { namesOf } from '../locales/names'
import { COOKERS } from './appliance/appliance'
import { answerDish } from './dish/dish'
import { forgotten, standInsFor } from './dish/instead'
import { scaled } from './dish/scale'
import { readLine } from './formats/line'
import { fitRun } from './learn/run-fit'
import { randomFrom } from './live/random'
import { planDinner } from './meal/dinner'
import type { Dinner } from './meal/dinner-tasks'
import type { PlanAnswer } from './program/answer'
import { equivalents } from './program/equivalents'
import { plan } from './program/plan'
import { ratiosByBatch } from './program/ratios'
import { nextClosing } from './program/remedy'
import type { PlanRequest } from './program/request.schema'
import { soakCosts } from './program/soak-cost'
import { endsByItself } from './program/styles'
import { together } from './program/together'
import { isRefused } from './safety/rules'
import { repairStack } from './stack/repair'
import { findStacks } from './stack/search'
import { FREE_LIQUIDS } from './water/liquids'

/** What holds of every answer, whatever was asked, also of what no cook would ask. */

/** Paths of the figures of an answer that are no numbers at all. */
function unfit(value: unknown, at = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${at} ${value}`]
  if (value === null || typeof value !== 'object') return []
  return Object.entries(value).flatMap(([key, one]) => unfit(one, `${at}.${key}`))
}
const planned = (request: PlanRequest): PlanAnswer | null => {
  const outcome = plan(request, { range: false })
  return outcome.ok ? outcome.value : null
}
/** Water for a whistle more or less: a wetter pot may need one fewer. */
const STEAM_G = 40
/** The last whistle of a pot lets out what its release would have given. */
const WHISTLED_AWAY = 0.01
const simple = planRequests.filter(
  ({ given, contents, stands }) => !given && !stands && contents.every(({ joins, had }) => !joins && !had),
)

describe('an answer of a pot', () => {
  it('is of numbers, its figure lies in its range, and nothing in it is less than nothing', () => {
    for (const request of drawn(planRequests, 160, 1)) {
      const outcome = plan(request)
      if (!outcome.ok) {
        expect(outcome.problems.length).toBeGreaterThan(0)
        continue
      }
      const { closings, foods, steamLostG } = outcome.value
      expect(unfit({ closings, foods, steamLostG })).toEqual([])
      for (const { water, range, firstCheck, fill, clock, planned: computed } of closings) {
        expect(water.pourG).toBeGreaterThanOrEqual(0)
        expect(Number.isInteger(range.figure)).toBe(true)
        expect(range.low).toBeLessThanOrEqual(range.high)
        expect(firstCheck.figure).toBeLessThanOrEqual(Math.max(range.figure, range.high))
        expect(fill.afterL).toBeGreaterThan(0)
        expect(clock.openAtMinute).toBeGreaterThanOrEqual(clock.heatOffAtMinute)
        expect(computed.figure).toBeGreaterThanOrEqual(0)
      }
      foods.forEach(({ gets, getsLow, getsHigh }) => {
        expect(getsLow).toBeLessThanOrEqual(gets + 1e-6)
        expect(getsHigh).toBeGreaterThanOrEqual(gets - 1e-6)
      })
    }
  })

  it('takes no less water for more of everything, nor for a wetter dish', () => {
    let compared = 0
    for (const request of drawn(simple, 80, 2)) {
      const pourG = (more: Partial<PlanRequest>) => planned({ ...request, ...more })?.closings[0]!.water.pourG
      const more = {
        contents: request.contents.map((one) => ({ ...one, dryG: one.dryG * 1.3 })),
        liquids: [],
      }
      const before = pourG({ liquids: [] })
      const after = pourG(more)
      if (before !== undefined && after !== undefined) {
        expect(after).toBeGreaterThanOrEqual(before - STEAM_G)
        compared++
      }
      const wetter = FREE_LIQUIDS.map((freeLiquid) => pourG({ freeLiquid })).filter((g) => g !== undefined)
      wetter.forEach((g, i) => expect(g).toBeGreaterThanOrEqual((wetter[i - 1] ?? 0) - STEAM_G))
    }
    expect(compared).toBeGreaterThan(30)
  })

  it('gives every food no less for a larger figure', () => {
    for (const request of drawn(simple, 80, 3)) {
      const answer = planned(request)
      if (!answer || endsByItself(request.style)) continue
      const [{ range, water }] = answer.closings as [PlanAnswer['closings'][number]]
      const gets = (figure: number) =>
        planned({ ...request, given: [{ pourG: water.pourG, figure }] })?.foods.map((one) => one.gets)
      const [less, more] = [gets(range.figure), gets(range.figure + 3)]
      more?.forEach((got, i) => expect(got).toBeGreaterThanOrEqual((less?.[i] ?? 0) * (1 - WHISTLED_AWAY)))
    }
  })

  it('has beside it only what can be cooked', () => {
    const random = randomFrom(2)
    for (const request of drawn(planRequests, 30, 2)) {
      const { contents } = request
      const others = equivalents(request, [
        { id: 'old', cooker: COOKERS['whistling-3l-aluminium']! },
        { id: 'el', cooker: COOKERS['electric-6l']!, prefer: { level: 'low' } },
      ])
      expect(unfit(others.map(({ outcome }) => outcome))).toEqual([])
      for (const { outcome } of soakCosts(request, 0)) if (outcome.ok) expect(unfit(outcome.value.foods)).toEqual([])
      expect(unfit(ratiosByBatch(request))).toEqual([])
      expect(unfit(together(request))).toEqual([])
      const next = nextClosing(request, {
        tempC: 60 + 40 * random(),
        freeWaterG: Math.round(600 * random()),
        gets: contents.map(() => 20 * random()),
        pinch: contents.map(() => ([null, 'hard', 'firm'] as const)[Math.floor(3 * random())]!),
        closing: Math.floor(2 * random()),
        joins: random() < 0.3,
        still: contents.map(() => (random() < 0.3 ? 8 : 0)),
      })
      if (!next.ok) continue
      expect(unfit(next.value)).toEqual([])
      expect(next.value.figure).toBeGreaterThanOrEqual(0)
      expect(next.value.addWaterG).toBeGreaterThanOrEqual(0)
    }
  })
})

describe('a pot that is followed, whatever the cook does', () => {
  const random = randomFrom(3)
  const spread = (share: number) => 1 + share * (2 * random() - 1)
  const runs = drawn(
    planRequests.filter(({ style }) => !endsByItself(style)),
    24,
    5,
  ).flatMap((request, i) => {
    const outcome = plan(request, { range: false })
    if (!outcome.ok) return []
    const live = { request, answer: outcome.value }
    const hidden = { heat: spread(0.3), load: spread(0.1), vent: spread(0.2), swing: spread(0.2), loss: spread(0.3) }
    return [{ live, ...cookedAnyhow(live, hidden, random, i % 4 === 0) }]
  })

  it('is told numbers, and always something to do', () => {
    expect(runs.length).toBeGreaterThan(12)
    for (const { looks } of runs)
      for (const { following, next } of looks) {
        // A pot that is still lit opens at no time yet, and one that falls silent may never come to what is needed.
        const open = unfit(following.outlook).filter((one) => !/^\.(opensFrom|needed\.high) Infinity$/.test(one))
        expect([...open, ...unfit(following.advice)]).toEqual([])
        expect(next.id).toBeTruthy()
        expect(following.advice?.figure ?? 0).toBeGreaterThanOrEqual(0)
      }
  })

  it('teaches numbers', () => {
    for (const { live, events } of runs) expect(unfit(fitRun(live, events))).toEqual([])
  })
})

describe('an answer of a dish', () => {
  it('is of numbers, and what is offered in place of a thing is answered too', () => {
    drawn(dishRequests, 80, 4).forEach((request, i) => {
      const outcome = answerDish(request)
      if (!outcome.ok) return
      const { massG, saltG, liquidG, served } = outcome.value
      expect(unfit({ massG, saltG, liquidG, served })).toEqual([])
      expect(massG).toBeGreaterThan(0)
      if (i % 4 > 0) return
      const { dish } = request
      for (const { id } of dish.lines) expect(unfit(standInsFor(request, id))).toEqual([])
      for (const { id } of dish.stages)
        expect(unfit(dish.lines.map((one) => forgotten(request, one.id, id)))).toEqual([])
      const twice = scaled(request, dish.servings * 2)
      if (!twice.ok) return
      expect(twice.value.dish.servings).toBe(dish.servings * 2)
      const before = new Map(dish.lines.map(({ id, g }) => [id, g]))
      for (const { id, g } of twice.value.dish.lines) expect((g ?? 0) >= (before.get(id) ?? 0)).toBe(true)
    })
  })
})

describe('foods in tins', () => {
  it('are put where they can be cooked, or nowhere', () => {
    for (const ask of drawn(stackAsks, 14, 6)) {
      const found = findStacks(ask)
      if (!found.ok) continue
      const { answers, nearest } = found.value
      expect(unfit(answers.map(({ plan: of }) => of.foods))).toEqual([])
      for (const { plan: of, minutes } of answers) {
        expect(isRefused(of.cautions)).toBe(false)
        expect(minutes).toBeGreaterThan(0)
      }
      expect(answers.length > 0 && nearest !== null).toBe(false)
      expect(unfit(repairStack(ask, found.value))).toEqual([])
    }
  })
})

describe('a dinner of drawn dishes', () => {
  const sound = dishRequests.filter((request) => {
    const outcome = answerDish(request)
    return outcome.ok && !isRefused(outcome.value.cautions)
  })
  const pots = (['whistling-5l-aluminium', 'electric-3l'] as const).flatMap((cookerId) =>
    (cookerId === 'electric-3l' ? [null] : (['strong', 'weak'] as const)).map((burnerId) => ({
      cookerId,
      burnerId,
      pot: { cooker: COOKERS[cookerId]!, ...(burnerId ? { burner: burnerId } : {}) },
    })),
  )
  const dishes = drawn(sound, 20, 7)

  it('breaks no rule of its kitchen, or says why it cannot be', () => {
    for (let i = 0; i < 10; i++) {
      const dinner: Dinner = {
        hands: 1 + (i % 2),
        burners: 1 + (i % 3),
        pots,
        tins: { tins: [{ id: 't', diameterMm: 150, heightMm: 60, volumeMl: 900, lid: true, material: 'steel' }] },
        earliest: i % 4 === 3 ? -60 : -1440,
        dishes: [dishes[2 * i]!, dishes[2 * i + 1]!].map((request, n) => ({
          key: 'AB'[n]!,
          request,
          soak: (['written', 'hot', 'none'] as const)[(i + n) % 3]!,
          ahead: (i + n) % 5 === 4,
        })),
        put: [],
        like: [],
        going: null,
      }
      let now = 0
      const outcome = planDinner(dinner, { spent: () => (now += 0.001), most: 2000 })
      if (!outcome.ok || !outcome.value.possible) continue
      const { tasks, plan: board } = outcome.value.dinner
      expect(unfit(board)).toEqual([])
      expect(board.tasks.map(({ id }) => id).sort()).toEqual(tasks.map(({ id }) => id).sort())
      const starts = new Map(board.tasks.map(({ id, startMinute }) => [id, startMinute]))
      for (const { startMinute } of board.tasks) expect(startMinute).toBeGreaterThanOrEqual(dinner.earliest - 1e-6)
      for (const { id, after } of tasks)
        for (const { task } of after) expect(starts.get(id)!).toBeGreaterThanOrEqual(starts.get(task)! - 1e-6)
    }
  })
})

describe('a line as it is typed', () => {
  it('is read the same, however its amount is written', () => {
    const names = namesOf()
    fc.assert(
      fc.property(typedAmounts, ({ ways, rest }) => {
        const [first, ...others] = ways.map((amount) => {
          const { what, g, amountOpen } = readLine(`${amount} ${rest}`, names)
          return { what, g: g === null ? null : Math.round(g * 100) / 100, amountOpen }
        })
        for (const other of others) expect(other).toEqual(first)
      }),
      { numRuns: 300 },
    )
  })
})
