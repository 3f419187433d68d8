import { describe, expect, it } from 'vitest'
import { beansWithSquash, line, potSettings, requestFor, stage } from '../../tests/dishes'
import { faultsOf } from '../../tests/meals'
import { COOKERS } from '../appliance/appliance'
import { answerDish, type DishAnswer } from '../dish/dish'
import type { Dish } from '../dish/dish.schema'
import { mealCautions } from '../safety/rules'
import { planDinner, withSoak, type Dinner, type DinnerDish } from './dinner'
import { progressOf, type PotFacts } from './progress'
import { tasksOfDish, type DishTask } from './tasks'

const patient = { nowMs: () => 0, withinMs: 1 }

function answered(dish: Dish): DishAnswer {
  const outcome = answerDish(requestFor(dish))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const tasksOf = (dish: Dish, ahead = false) => tasksOfDish({ key: 'A', dish, answer: answered(dish), ahead })

/** The dish with its pot in this cooker of the kitchen. */
function inCooker(dish: Dish, cookerId: string): Dish {
  return {
    ...dish,
    stages: dish.stages.map((one) => (one.pot ? { ...one, pot: { ...one.pot, cookerId } } : one)),
  }
}
const rice: Dish = {
  name: 'Rice',
  servings: 4,
  lines: [line('rice', 'jasmine-white', 300), line('salt', 'salt', 4)],
  stages: [
    stage('pot', 'pot', { rice: 'rest', salt: 'rest' }, [], { pot: potSettings({ freeLiquid: 'drained' }) }),
    stage('fluff', 'fluff', {}, ['pot']),
  ],
}
const dishOf = (key: string, dish: Dish): DinnerDish => ({
  key,
  request: requestFor(dish),
  soak: 'written',
  ahead: false,
})
const dinnerOf = (dishes: DinnerDish[], change: Partial<Dinner> = {}): Dinner => ({
  hands: 1,
  burners: 2,
  cookers: {
    blue: { cooker: COOKERS['whistling-5l-aluminium']!, burner: 'strong' },
    old: { cooker: COOKERS['whistling-3l-aluminium']!, burner: 'weak' },
  },
  earliest: -1440,
  put: [],
  like: [],
  going: null,
  dishes,
  ...change,
})
const beans = inCooker(beansWithSquash(), 'blue')

describe('the tasks of a dish', () => {
  const tasks = tasksOf(beans)
  const byId = new Map(tasks.map((task) => [task.id, task]))

  it('are its stages, with a pot closed, cooked, let fall and opened', () => {
    expect(tasks.map(({ stage: of, part }) => `${of}.${part}`)).toEqual(
      expect.arrayContaining(['soak.do', 'fry.do', 'pot.close', 'pot.cook', 'pot.fall', 'pot.open', 'simmer.do']),
    )
    expect(byId.get('A.soak.do')).toMatchObject({ passive: true, minutes: 480, hands: 0, burner: 0 })
    expect(byId.get('A.pot.cook')).toMatchObject({ hands: 0, burner: 1 })
    expect(byId.get('A.pot.open')).toMatchObject({ hands: 1, critical: true })
  })

  it('take as long together as the dish says of each stage', () => {
    for (const { id, minutes } of answered(beans).stages) {
      const own = tasks.filter(({ stage: of, part }) => of === id && part !== 'close' && part !== 'open')
      if (own.length === 0) continue
      expect(Math.abs(own.reduce((sum, task) => sum + task.minutes, 0) - minutes)).toBeLessThan(2.5)
    }
  })

  it('keep the cooker from the first that is done in it to the last', () => {
    const keeper = tasks.find(({ keepsCookerUntil }) => keepsCookerUntil)!
    expect(keeper).toMatchObject({ id: 'A.fry.do', cooker: 'blue' })
    expect(byId.get(keeper.keepsCookerUntil!)!.cooker).toBe('blue')
    // The tempering has a pan of its own.
    expect(tasks.filter(({ stage: of }) => of === 'temper').every(({ cooker }) => cooker === null)).toBe(true)
  })

  it('of a dish made ahead end whenever they like, and are warmed', () => {
    const ahead = tasksOf(beans, true)
    expect(ahead.at(-1)).toMatchObject({ id: 'A.warmed', untilServe: 15 })
    expect(ahead.filter(({ untilServe }) => untilServe !== undefined)).toHaveLength(1)
  })

  it('leave out a soak that is not done', () => {
    expect(tasksOf(withSoak(beans, 'none')).some(({ passive }) => passive)).toBe(false)
    expect(tasksOf(withSoak(beans, 'hot')).find(({ passive }) => passive)).toMatchObject({ minutes: 60 })
  })
})

describe('a dinner', () => {
  const two = [dishOf('A', beans), dishOf('B', inCooker(rice, 'old'))]

  it('is planned from its dishes, with nothing wrong in it minute by minute', () => {
    const outcome = planDinner(dinnerOf(two), patient)
    if (!outcome.ok || !outcome.value.possible) throw new Error(JSON.stringify(outcome))
    const { tasks, plan, answers } = outcome.value.dinner
    expect(Object.keys(answers)).toEqual(['A', 'B'])
    const request = { hands: 1, burners: 2, cookers: ['blue', 'old'], earliest: -1440, tasks }
    expect(faultsOf(request, plan.tasks)).toEqual([])
    expect(plan.optimal).toBe(true)
  })

  it('that comes too late for its soak says what another soak costs', () => {
    const outcome = planDinner(dinnerOf([dishOf('A', beans)], { earliest: -70 }), patient)
    if (!outcome.ok || outcome.value.possible) throw new Error(JSON.stringify(outcome))
    const { wishes, mends } = outcome.value
    expect(wishes).toContainEqual({ kind: 'hour' })
    const later = mends.find((mend) => mend.kind === 'later')!
    for (const how of ['hot', 'none']) {
      const soak = mends.find((mend) => mend.kind === 'soak' && mend.how === how)!
      expect((soak as { minutes: number }).minutes).toBeLessThan((later as { minutes: number }).minutes)
    }
  })

  it('never mends a soak away that beans with lectin need', () => {
    const kidney = structuredClone(beans)
    kidney.lines[0]!.what = 'kidney-red'
    // In a slow pot unsoaked they are refused, whatever the hour is.
    kidney.stages = kidney.stages.map((one) =>
      one.kind === 'pot'
        ? { ...one, kind: 'simmer' as const, pot: undefined, minutes: 45, flame: 'simmer' as const, waterG: 900 }
        : one,
    )
    const outcome = planDinner(dinnerOf([dishOf('A', kidney)], { earliest: -120 }), patient)
    if (outcome.ok && !outcome.value.possible)
      expect(outcome.value.mends.filter((mend) => mend.kind === 'soak' && mend.how === 'none')).toEqual([])
    else expect(outcome).toMatchObject({ ok: false, problems: [{ code: 'meal-dish-refused' }] })
  })

  it('in one cooker is not had fresh twice: another cooker mends it, or making one before', () => {
    const both = ['A', 'B'].map((key) => dishOf(key, inCooker(rice, 'blue')))
    const outcome = planDinner(dinnerOf(both), patient)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome))
    expect(outcome.value.possible).toBe(false)
    const kinds = outcome.value.possible ? [] : outcome.value.mends.map(({ kind }) => kind)
    expect(kinds).toContain('ahead')
  })

  it('with a dish that cannot be cooked says which', () => {
    const empty = { ...rice, stages: [] }
    expect(planDinner(dinnerOf([dishOf('A', empty)]), patient)).toMatchObject({
      ok: false,
      problems: [{ path: expect.stringMatching(/^dishes\.0/) }],
    })
  })

  it('goes on from where it stands, late by what it must', () => {
    const first = planDinner(dinnerOf(two), patient)
    if (!first.ok || !first.value.possible) throw new Error()
    const planned = new Map(first.value.dinner.plan.tasks.map(({ id, startMinute }) => [id, startMinute]))
    const from = (now: number) =>
      planDinner(
        dinnerOf(two, {
          going: { now, begunOf: (tasks: readonly DishTask[]) => progressOf(tasks, planned, {}, {}, now) },
        }),
        patient,
      )
    const late = [-300, -40, -20].map((now) => {
      const outcome = from(now)
      if (!outcome.ok || !outcome.value.possible) throw new Error(JSON.stringify(outcome))
      return outcome.value.dinner.laterMinutes
    })
    expect(late[0]).toBe(0)
    expect(late[1]).toBeGreaterThan(0)
    expect(late[2]! - late[1]!).toBe(20)
  })
})

describe('what is minded at a dinner', () => {
  it('is that of its dishes, and cooling in time of what is made before', () => {
    const { cautions } = answered(beans)
    const ids = (ahead: boolean) =>
      mealCautions([
        { cautions, ahead },
        { cautions, ahead },
      ]).map(({ id }) => id)
    expect(ids(true)).toContain('cool-in-time')
    expect(ids(false)).not.toContain('cool-in-time')
    expect(new Set(ids(true)).size).toBe(ids(true).length)
  })
})

describe('what has been begun', () => {
  const tasks = tasksOf(beans)
  const none = new Map<string, number>()
  const begun = (marks: Parameters<typeof progressOf>[2], pots: Record<string, PotFacts>, now: number) =>
    new Map(progressOf(tasks, none, marks, pots, now).map((one) => [one.id, one]))
  const quiet: PotFacts = {
    litMinute: null,
    heatOffMinute: null,
    openedMinute: null,
    heatOffDueMinute: null,
    opensFromMinute: null,
  }

  it('is what was ticked off, and what goes on alone after it', () => {
    const now = -60
    const found = begun({ 'A.pot.close': { startMinute: -70, doneMinute: -66 } }, {}, now)
    expect(found.get('A.pot.close')).toMatchObject({ done: true, minutes: 4 })
    expect(found.get('A.pot.cook')).toMatchObject({ startMinute: -66, done: false })
    expect(found.has('A.pot.fall')).toBe(false)
    // By the clock it comes to its end by itself; opening it does not.
    const later = begun({ 'A.pot.close': { startMinute: -70, doneMinute: -66 } }, {}, 60)
    expect(later.get('A.pot.fall')).toMatchObject({ done: true })
    expect(later.has('A.pot.open')).toBe(false)
  })

  it('is what the pot tells, before what was planned', () => {
    const lit = { ...quiet, litMinute: -50, heatOffDueMinute: -5, opensFromMinute: 8 }
    const cooking = begun({}, { 'A.pot': lit }, -20)
    expect(cooking.get('A.pot.close')).toMatchObject({ done: true })
    expect(cooking.get('A.pot.cook')).toMatchObject({ startMinute: -50, minutes: 45, done: false })
    const falling = begun({}, { 'A.pot': { ...lit, heatOffMinute: -8 } }, -6)
    expect(falling.get('A.pot.cook')).toMatchObject({ minutes: 42, done: true })
    expect(falling.get('A.pot.fall')).toMatchObject({ startMinute: -8, minutes: 16, done: false })
    const open = begun({}, { 'A.pot': { ...lit, heatOffMinute: -8, openedMinute: 2 } }, 3)
    expect(open.get('A.pot.open')).toMatchObject({ done: true })
  })

  it('takes a soak to be in water once it was planned to be', () => {
    const planned = new Map([['A.soak.do', -600]])
    expect(progressOf(tasks, planned, {}, {}, -590)).toMatchObject([{ id: 'A.soak.do', done: false }])
    expect(progressOf(tasks, planned, {}, {}, -610)).toEqual([])
  })
})
