import { readdirSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { drawnMeal, faultsOf, mealOf } from '../../tests/meals'
import { objectiveOf } from './objective'
import { leastLater, onlyWith, possible, servedLater, whyImpossible } from './impossible'
import { planMeal } from './meal'
import { mealRequestSchema, type MealRequest, type Task } from './meal.schema'
import { workBudget } from './budget'
import { replanMeal } from './replan'
import { scheduleMeal, type MealPlan } from './schedule'

const patient = { spent: () => 0, most: 1 }

function replanned(found: ReturnType<typeof replanMeal>) {
  if (!found || found === 'stopped') throw new Error(String(found))
  return found
}
const never = () => false

function planned(request: MealRequest): MealPlan {
  const plan = scheduleMeal(request, patient)
  if (plan === null || plan === 'stopped') throw new Error('no plan')
  return plan
}

const meals = readdirSync(new URL('meals/', import.meta.url)).map((file) => {
  const { name, request, expect, exampleStarts } = JSON.parse(
    readFileSync(new URL(`meals/${file}`, import.meta.url), 'utf8'),
  )
  return { name, request: mealRequestSchema.parse(request), figures: expect, exampleStarts }
})

describe('meals whose best is known from an integer program', () => {
  it.each(meals)('$name: is planned as well, and proved', ({ request, figures, exampleStarts }) => {
    const plan = planned(request)
    expect(plan).toMatchObject({ ...figures, optimal: true, bound: figures })
    expect(faultsOf(request, plan.tasks)).toEqual([])
    const example = request.tasks.map(({ id }) => ({ id, startMinute: exampleStarts[id] }))
    expect(objectiveOf(request, example)).toEqual(figures)
    expect(faultsOf(request, example)).toEqual([])
  })
})

// Small enough that every plan can be looked at.
const tinyTask = fc.record({
  minutes: fc.integer({ min: 1, max: 4 }),
  hands: fc.constantFrom(0 as const, 1 as const),
  burner: fc.constantFrom(0 as const, 1 as const),
  cooker: fc.constantFrom(null, 'a', 'b'),
  critical: fc.boolean(),
  passive: fc.boolean(),
  untilServe: fc.option(fc.integer({ min: 0, max: 4 }), { nil: undefined }),
  waits: fc.option(fc.record({ min: fc.integer({ min: 0, max: 1 }), max: fc.integer({ min: 1, max: 3 }) })),
})
const tinyMeal = fc
  .record({
    hands: fc.integer({ min: 1, max: 2 }),
    burners: fc.integer({ min: 1, max: 2 }),
    drawn: fc.array(tinyTask, { minLength: 1, maxLength: 4 }),
  })
  .map(({ hands, burners, drawn }): MealRequest => {
    const tasks = drawn.map(({ waits, ...task }, i): Task => ({
      id: `t${i}`,
      dish: 'd',
      ...task,
      after: i > 0 && waits ? [{ task: `t${i - 1}`, ...waits }] : [],
    }))
    if (tasks.length === 4 && tasks[0]!.cooker) tasks[0] = { ...tasks[0]!, keepsCookerUntil: 't2' }
    if (tasks.length === 4 && tasks[0]!.cooker) tasks[2] = { ...tasks[2]!, after: [{ task: 't0' }] }
    return { hands, burners, cookers: ['a', 'b'], earliest: -11, tasks }
  })

/** The best of all plans, by looking at every one. */
function bestOfAll(request: MealRequest): number[] | null {
  let best: number[] | null = null
  const look = (placed: { id: string; startMinute: number }[]) => {
    const task = request.tasks[placed.length]
    if (!task) {
      if (faultsOf(request, placed).length > 0) return
      const { handsLateMinutes, spanMinutes, holdingMinutes } = objectiveOf(request, placed)
      const figures = [handsLateMinutes, spanMinutes, holdingMinutes]
      if (best === null || less(figures, best)) best = figures
      return
    }
    for (let startMinute = request.earliest; startMinute <= -task.minutes; startMinute++)
      look([...placed, { id: task.id, startMinute }])
  }
  look([])
  return best
}

function less(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((figure, i) => figure !== b[i])
  return at >= 0 && a[at]! < b[at]!
}

describe('any meal', () => {
  it('is planned as well as the best of all plans, or not at all where there is none', () => {
    fc.assert(
      fc.property(tinyMeal, (request) => {
        const best = bestOfAll(request)
        const plan = scheduleMeal(request, patient)
        if (best === null) {
          expect(plan).toBeNull()
          return
        }
        const { handsLateMinutes, spanMinutes, holdingMinutes, optimal } = plan as MealPlan
        expect([handsLateMinutes, spanMinutes, holdingMinutes]).toEqual(best)
        expect(optimal).toBe(true)
      }),
      { numRuns: 60 },
    )
  }, 60_000)

  it('has a plan that a minute-by-minute look finds nothing wrong with', () => {
    let plans = 0
    for (let seed = 1; seed <= 25; seed++) {
      const request = drawnMeal(seed, 18 + seed, { hands: 1 + (seed % 2) })
      let ms = 0
      const plan = scheduleMeal(request, { spent: () => ms++, most: 60 })
      if (plan === null || plan === 'stopped') continue
      plans++
      expect(faultsOf(request, plan.tasks)).toEqual([])
      expect(plan).toMatchObject(objectiveOf(request, plan.tasks))
      for (const figure of ['handsLateMinutes', 'spanMinutes', 'holdingMinutes'] as const)
        expect(plan.bound[figure]).toBeLessThanOrEqual(plan[figure])
    }
    expect(plans).toBeGreaterThan(12)
  }, 60_000)

  it('has, cut short at any moment, a plan that stands and a bound that the best keeps to', () => {
    let short = 0
    for (let seed = 1; seed <= 14; seed++) {
      const request = drawnMeal(seed * 53, 22)
      const best = scheduleMeal(request, patient)
      if (best === null || best === 'stopped') continue
      for (const most of [4, 12, 30, 80, 200]) {
        let ms = 0
        const plan = scheduleMeal(request, { spent: () => ms++, most })
        if (plan === null || plan === 'stopped') continue
        expect(faultsOf(request, plan.tasks)).toEqual([])
        if (!plan.optimal) short++
        for (const figure of ['handsLateMinutes', 'spanMinutes', 'holdingMinutes'] as const)
          expect(plan.bound[figure]).toBeLessThanOrEqual(best[figure])
        if (plan.optimal) expect(plan).toMatchObject(best.bound)
      }
    }
    expect(short).toBeGreaterThan(10)
  }, 60_000)

  it('is never worse with another pair of hands, burner or hour of time', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const request = drawnMeal(seed * 31, 16)
      const plan = scheduleMeal(request, patient)
      if (plan === null) continue
      const before = planned(request)
      for (const more of [
        { hands: request.hands + 1 },
        { burners: request.burners + 1 },
        { earliest: request.earliest - 60 },
      ]) {
        const after = planned({ ...request, ...more })
        const figures = ({ handsLateMinutes, spanMinutes, holdingMinutes }: MealPlan) => [
          handsLateMinutes,
          spanMinutes,
          holdingMinutes,
        ]
        expect(less(figures(before), figures(after))).toBe(false)
      }
    }
  }, 60_000)

  it('shifts as a whole with the hour: what was put stays where it was on the clock', () => {
    const request = mealOf(['beans', 'grain'], 4)
    const { tasks } = planned(request)
    const put = tasks[1]!
    const withPut = {
      ...request,
      tasks: request.tasks.map((task) => (task.id === put.id ? { ...task, startMinute: put.startMinute } : task)),
    }
    const later = servedLater(withPut, 30)
    expect(later.earliest).toBe(request.earliest - 30)
    expect(planned(later).tasks.find(({ id }) => id === put.id)!.startMinute).toBe(put.startMinute - 30)
  })
})

describe('a meal that cannot be', () => {
  const rice = mealOf(['grain', 'grain', 'grain'], 3, { cookers: ['only'] })

  it('names the wishes that exclude each other, none of which could be kept back', () => {
    const { wishes } = whyImpossible(rice, patient)
    expect(wishes).toContainEqual({ kind: 'cooker', cooker: 'only' })
    expect(wishes).not.toContainEqual({ kind: 'burners' })
    expect(possible({ ...rice, burners: 9 }, never)).toBe(false)
    for (const kind of ['hour', 'hands'] as const)
      expect(
        possible(
          onlyWith(
            rice,
            wishes.filter((wish) => wish.kind !== kind),
          ),
          never,
        ),
      ).toBe(wishes.some((wish) => wish.kind === kind))
  })

  it('is repaired by each change that it names', () => {
    const two = { ...rice, cookers: ['only', 'other'] }
    const { repairs } = whyImpossible(two, patient)
    expect(repairs).toContainEqual({ kind: 'other-cooker', dish: 'grain-1', from: 'only', to: 'other' })
  })

  it('is never denied what was not tried: with too small a budget it says that it has not looked at all', () => {
    const two = { ...rice, cookers: ['only', 'other'] }
    expect(whyImpossible(two, patient).isWhole).toBe(true)
    const { repairs, isWhole } = whyImpossible(two, workBudget(0))
    expect([repairs, isWhole]).toEqual([[], false])
  })

  it('says how much later, and not a minute more than needed', () => {
    const request = { ...mealOf(['beans', 'salad'], 8), earliest: -40 }
    const minutes = leastLater(request, never) as number
    expect(possible(servedLater(request, minutes), never)).toBe(true)
    expect(possible(servedLater(request, minutes - 1), never)).toBe(false)
    expect(whyImpossible(request, patient)).toEqual({
      wishes: expect.arrayContaining([{ kind: 'hour' }]),
      repairs: expect.arrayContaining([{ kind: 'later', minutes }]),
      isWhole: true,
    })
  })

  it('without a burner wants one', () => {
    const none = { ...mealOf(['pan'], 1), burners: 0 }
    expect(whyImpossible(none, patient)).toEqual({
      wishes: [{ kind: 'burners' }],
      repairs: [{ kind: 'burners', burners: 1 }],
      isWhole: true,
    })
  })

  it('tells what cannot be understood, where it stands', () => {
    const { tasks, ...rest } = mealOf(['grain'], 1)
    const bad = {
      ...rest,
      tasks: tasks.map((task, i) => (i === 0 ? { ...task, after: [{ task: 'grain-1.fluff' }] } : task)),
    }
    expect(planMeal(bad, patient)).toMatchObject({ ok: false, problems: [{ code: 'meal-circle' }] })
    const unknown = { ...rest, cookers: [], tasks }
    expect(planMeal(unknown, patient)).toMatchObject({
      ok: false,
      problems: expect.arrayContaining([
        expect.objectContaining({ code: 'meal-unknown-cooker', path: 'tasks.1.cooker' }),
      ]),
    })
  })
})

describe('from the middle of a meal', () => {
  const request = mealOf(['beans', 'grain', 'salad'], 5)
  const plan = planned(request)
  const at = new Map(plan.tasks.map(({ id, startMinute }) => [id, startMinute]))

  /** All that the plan has begun by a minute, with one task taking longer. */
  const begunBy = (now: number, slow: string, minutes: number) =>
    request.tasks.flatMap((task) => {
      const startMinute = at.get(task.id)!
      const takes = task.id === slow ? task.minutes + minutes : task.minutes
      return startMinute > now ? [] : [{ id: task.id, startMinute, minutes: takes, done: startMinute + takes <= now }]
    })

  it('leaves what is begun where it is, and starts nothing in the past', () => {
    const now = -30
    const begun = begunBy(now, 'beans-1.fall', 9)
    const again = replanned(replanMeal(request, now, begun, patient))
    expect(again.laterMinutes).toBeGreaterThanOrEqual(0)
    for (const { id, startMinute } of again.plan.tasks) {
      const known = begun.find((one) => one.id === id)
      if (known) expect(startMinute).toBe(known.startMinute - again.laterMinutes)
      else expect(startMinute).toBeGreaterThanOrEqual(now - again.laterMinutes)
    }
    expect(faultsOf(again.request, again.plan.tasks)).toEqual([])
  })

  it('is served at the hour while all goes as planned', () => {
    for (const now of [-60, -45, -30, -12, -4])
      expect(replanned(replanMeal(request, now, begunBy(now, '', 0), patient)).laterMinutes).toBe(0)
  })

  it('is served later by what it must, and never by more for going slower', () => {
    const later = [0, 5, 15, 40].map(
      (slow) => replanned(replanMeal(request, -30, begunBy(-30, 'beans-1.fall', slow), patient)).laterMinutes,
    )
    expect(later).toEqual([...later].sort((a, b) => a - b))
    expect(later.at(-1)).toBeGreaterThan(0)
  })
})
