import { describe, expect, it } from 'vitest'
import { line, potSettings, requestFor, stage } from '../../tests/dishes'
import { drawnMeal, faultsOf, mealOf } from '../../tests/meals'
import { COOKERS } from '../appliance/appliance'
import type { Dish } from '../dish/dish.schema'
import { instructionsOfDinner } from '../guide/dinner'
import { planDinner, type DinnerPlan } from './dinner'
import type { Dinner, DinnerDish } from './dinner-tasks'
import { objectiveOf } from './objective'
import { planMeal } from './meal'
import type { MealRequest } from './meal.schema'
import { scheduleMeal, type MealPlan } from './schedule'
import { MOST_WAITING_MINUTES } from './tasks'

const patient = { spent: () => 0, most: 1 }
function planned(request: MealRequest): MealPlan | null {
  const plan = scheduleMeal(request, patient)
  if (plan === 'stopped') throw new Error('stopped')
  if (plan) {
    expect(faultsOf(request, plan.tasks)).toEqual([])
    expect(plan).toMatchObject(objectiveOf(request, plan.tasks))
  }
  return plan
}

describe('another pair of hands for some hours', () => {
  it('is used while it is there and not a minute longer, and makes no meal worse', () => {
    let used = 0
    for (let seed = 1; seed <= 8; seed++) {
      const alone = drawnMeal(seed * 17, 12)
      const before = planned(alone)
      if (!before) continue
      const after = planned({ ...alone, helpers: [{ from: -40, until: -5 }] })!
      expect(after.handsLateMinutes).toBeLessThanOrEqual(before.handsLateMinutes)
      if (after.handsLateMinutes === before.handsLateMinutes)
        expect(after.spanMinutes).toBeLessThanOrEqual(before.spanMinutes)
      if (after.spanMinutes < before.spanMinutes || after.handsLateMinutes < before.handsLateMinutes) used++
    }
    expect(used).toBeGreaterThan(2)
  }, 60_000)

  it('that comes too early to be of use changes nothing', () => {
    const meal = drawnMeal(34, 12)
    const before = planned(meal)!
    const after = planned({ ...meal, helpers: [{ from: -1300, until: -1200 }] })!
    expect([after.handsLateMinutes, after.spanMinutes, after.holdingMinutes]).toEqual([
      before.handsLateMinutes,
      before.spanMinutes,
      before.holdingMinutes,
    ])
  }, 60_000)

  it('must come before it goes', () => {
    const meal = { ...drawnMeal(1, 6), helpers: [{ from: -5, until: -40 }] }
    expect(planMeal(meal, patient)).toMatchObject({ ok: false, problems: [{ code: 'meal-helper-crossed' }] })
  })
})

describe('a dish that is on the table before the others', () => {
  it('ends so much earlier, and waits no longer than it may until then', () => {
    const salads = mealOf(['salad', 'grain'], 3)
    const early = (minutes: number): MealRequest => ({
      ...salads,
      tasks: salads.tasks.map((task) => (task.dish === 'salad-1' ? { ...task, servedBefore: minutes } : task)),
    })
    for (const minutes of [15, 45, 120]) {
      const plan = planned(early(minutes))!
      const dress = salads.tasks.find(({ id }) => id === 'salad-1.dress')!
      const end = plan.tasks.find(({ id }) => id === dress.id)!.startMinute + dress.minutes
      expect(end).toBeLessThanOrEqual(-minutes)
      expect(-minutes - end).toBeLessThanOrEqual(dress.untilServe!)
    }
  })
})

const peas = (key: string): Dish => ({
  name: key === 'A' ? 'Yellow peas' : 'Rice',
  servings: 4,
  lines: [line('food', key === 'A' ? 'split-peas' : 'jasmine-white', 250)],
  stages: [
    stage('pot', 'pot', { food: 'rest' }, [], { pot: potSettings({ cookerId: 'blue', freeLiquid: 'drained' }) }),
    stage('rest', 'rest', {}, ['pot'], { minutes: 5 }),
  ],
})
const dishOf = (key: string, more: Partial<DinnerDish> = {}): DinnerDish => ({
  key,
  request: requestFor(peas(key)),
  soak: 'written',
  ahead: false,
  ...more,
})
const dinnerOf = (dishes: DinnerDish[]): Dinner => ({
  hands: 1,
  burners: 2,
  pots: [
    { cookerId: 'blue', burnerId: 'strong', pot: { cooker: COOKERS['whistling-5l-aluminium']!, burner: 'strong' } },
  ],
  tins: { tins: [] },
  earliest: -1440,
  put: [],
  like: [],
  going: null,
  dishes,
})
function plannedDinner(dishes: DinnerDish[]): DinnerPlan | null {
  const outcome = planDinner(dinnerOf(dishes), patient)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value.possible ? outcome.value.dinner : null
}

describe('two dishes in one cooker, one after the other', () => {
  it('cannot both be fresh; that one may wait is offered, and then both are had', () => {
    const outcome = planDinner(dinnerOf([dishOf('A'), dishOf('B')]), patient)
    if (!outcome.ok || outcome.value.possible) throw new Error('possible')
    const waits = outcome.value.repairs.filter((one) => one.kind === 'waits-longer')
    expect(waits.length).toBeGreaterThan(0)
    for (const one of waits)
      expect(
        plannedDinner(['A', 'B'].map((key) => dishOf(key, { waits: key === (one as { dish: string }).dish }))),
      ).not.toBeNull()
  })

  it('with the pot emptied and rinsed in between, which is told where the second begins', () => {
    const dishes = [dishOf('A', { waits: true }), dishOf('B')]
    const dinner = plannedDinner(dishes)!
    const startOf = new Map(dinner.plan.tasks.map(({ id, startMinute }) => [id, startMinute]))
    const request = { hands: 1, burners: 2, cookers: ['blue'], earliest: -1440, emptyMinutes: 3, tasks: dinner.tasks }
    expect(faultsOf(request, dinner.plan.tasks)).toEqual([])
    const told = instructionsOfDinner(dishes, dinner, startOf)
    const emptied = told.filter(({ instructions }) => instructions.some((one) => one.do === 'empty'))
    expect(emptied.map(({ dish }) => dish)).toEqual(['B'])
    expect(emptied[0]!.instructions[0]).toMatchObject({
      do: 'empty',
      in: { cooker: 'blue' },
      things: [{ name: 'Yellow peas' }],
    })
    const end = (dish: string) =>
      Math.max(
        ...dinner.tasks.filter((task) => task.dish === dish).map(({ id, minutes }) => startOf.get(id)! + minutes),
      )
    expect(end('A')).toBeGreaterThanOrEqual(-MOST_WAITING_MINUTES)
    expect(end('A')).toBeLessThan(end('B'))
  })

  it('the one that waits best is told: what may stand longest', () => {
    expect(plannedDinner([dishOf('A', { waits: true }), dishOf('B')])!.waitsBest).toEqual({
      dish: 'A',
      minutes: MOST_WAITING_MINUTES,
    })
    expect(plannedDinner([dishOf('A')])!.waitsBest).toBeNull()
  })
})
