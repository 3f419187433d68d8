import { describe, expect, it } from 'vitest'
import { beansWithSquash } from '../tests/dishes'
import { aKitchen } from '../tests/fixtures'
import { mealTask as task } from '../tests/meals'
import { readOwn } from './document'
import {
  atHour,
  isCurrent,
  mergedMeals,
  minuteOf,
  momentOf,
  newMeal,
  nextStep,
  withDish,
  withoutDish,
  type Meal,
} from './meal'
import { dinnerOf } from './meal-request'
import { MEAL } from './meal.schema'
import { DISH_SHAPE } from './shapes'

const SERVED = Date.parse('2026-03-28T19:30:00Z')
const document = { ...beansWithSquash(), shape: DISH_SHAPE } as const
const kitchen = aKitchen()
const meal = (change: Partial<Meal> = {}): Meal => ({
  ...withDish(withDish(newMeal(SERVED), document, null), document, null),
  ...change,
})

describe('a meal', () => {
  it('is a document that is read as it was written', () => {
    const full = meal({
      tasks: [task('A.fry.do', -60)],
      begun: { 'A.fry.do': { at: SERVED - 3_600_000, doneAt: null } },
    })
    expect(readOwn(MEAL, JSON.parse(JSON.stringify(full)))).toEqual(full)
  })

  it('gives each dish the first letter that is free', () => {
    const three = withDish(withoutDish(meal(), 'A'), document, null)
    expect(three.dishes.map(({ key }) => key)).toEqual(['B', 'A'])
    const many = Array.from({ length: 20 }).reduce<Meal>((of) => withDish(of, document, null), newMeal(SERVED))
    expect(many.dishes).toHaveLength(12)
  })

  it('forgets with a dish all that was said of its tasks', () => {
    const said = meal({
      put: [{ id: 'A.fry.do', startMinute: -60 }],
      begun: { 'A.fry.do': { at: 1, doneAt: null }, 'B.soak.do': { at: 2, doneAt: null } },
      runs: { 'A.pot': 'x', 'B.pot': 'y' },
    })
    const { put, begun, runs } = withoutDish(said, 'A')
    expect({ put, begun, runs }).toEqual({
      put: [],
      begun: { 'B.soak.do': { at: 2, doneAt: null } },
      runs: { 'B.pot': 'y' },
    })
  })

  it('counts minutes that pass, also over a change to summer time', () => {
    // In the night before the 29th the clocks go forward; the minutes do not.
    const noon = { servedAt: Date.parse('2026-03-29T12:00:00+02:00') }
    expect(minuteOf(noon, Date.parse('2026-03-28T22:00:00+01:00'))).toBe(-13 * 60)
    expect(momentOf(noon, -13 * 60)).toBe(Date.parse('2026-03-28T22:00:00+01:00'))
  })

  it('is the day’s until it is served, or long over', () => {
    expect(isCurrent(meal(), SERVED + 3_600_000)).toBe(true)
    expect(isCurrent(meal(), SERVED + 4 * 3_600_000)).toBe(false)
    expect(isCurrent(meal({ servedOn: SERVED }), SERVED)).toBe(false)
  })

  it('keeps what either of two devices has ticked off, and what either has wished', () => {
    const at = (id: string) => ({ [id]: { at: SERVED, doneAt: SERVED } })
    const base = meal()
    const theirs = withDish({ ...base, begun: at('A.x') }, document, null)
    // The other only planned what it knew of: that takes no dish away.
    const ours = { ...base, begun: at('B.y'), tasks: [task('A.fry.do', -60)] }
    const merged = mergedMeals(base, theirs, ours)
    expect(Object.keys(merged.begun)).toEqual(['A.x', 'B.y'])
    expect(merged.dishes).toHaveLength(3)
    expect(mergedMeals(base, theirs, { ...ours, hands: 2 })).toMatchObject({ hands: 2, dishes: theirs.dishes })
    // The steps are of whoever has wished something else; otherwise those that stand there now.
    const [first, second] = [[task('A.one', -10)], [task('A.two', -20)]]
    const steps = (change: Partial<Meal>) =>
      mergedMeals(base, { ...theirs, tasks: first }, { ...base, ...change, tasks: second }).tasks
    expect([steps({}), steps({ hands: 2 })]).toEqual([first, second])
  })

  it('says the next thing, and leaves to a lit pot what it calls for itself', () => {
    const tasks = [
      task('A.pot.close', -60, { part: 'close' }),
      task('A.pot.cook', -56, { part: 'cook', hands: 0 }),
      task('A.pot.open', -20, { part: 'open' }),
      task('B.fry.do', -15),
    ]
    expect(nextStep(meal({ tasks }))!.id).toBe('A.pot.close')
    expect(nextStep(meal({ tasks, runs: { 'A.pot': 'x' } }))!.id).toBe('B.fry.do')
    expect(nextStep(meal({ tasks: [] }))).toBeNull()
  })
})

describe('a meal as it is planned', () => {
  it('starts nothing before now, and stands nowhere until the first of it was to begin', () => {
    const asked = dinnerOf(meal(), kitchen, SERVED - 90 * 60_000)!
    expect(asked.dinner).toMatchObject({ earliest: -89, burners: kitchen.burners.length, hands: 1 })
    expect(new Set(asked.dinner.pots.map(({ cookerId }) => cookerId)).size).toBe(kitchen.cookers.length)
    expect(asked.stands).toBeNull()
    expect(dinnerOf(newMeal(SERVED), kitchen, SERVED)).toBeNull()
  })

  it('assumes no soak that would have had to begin before now for a new hour', () => {
    // Planned for tomorrow, with the soak tonight; then wished for two hours from now.
    const now = SERVED - 24 * 3_600_000
    const tonight = meal({ tasks: [task('A.soak.do', -1200, { hands: 0, passive: true }), task('A.fry.do', -60)] })
    const sooner = atHour(tonight, now + 2 * 3_600_000)
    expect(momentOf(sooner, sooner.tasks[0]!.startMinute)).toBe(momentOf(tonight, -1200))
    const asked = dinnerOf(sooner, kitchen, now)!
    expect(asked.stands).toBeNull()
    expect(asked.dinner.earliest).toBe(-119)
    // At the hour before nothing had begun either, and both ways lead back.
    expect(atHour(sooner, SERVED)).toEqual(tonight)
  })

  it('goes on from where it stands once it has begun', () => {
    const tasks = [task('A.fry.do', -100)]
    const asked = dinnerOf(meal({ tasks }), kitchen, SERVED - 90 * 60_000)!
    expect(asked.stands).toMatchObject({ now: -89, planned: [['A.fry.do', -100]], marks: {} })
    const standsAt = (change: Partial<Meal>) =>
      dinnerOf(meal({ tasks, ...change }), kitchen, SERVED - 101 * 60_000)!.stands !== null
    // Before its hour it has begun where somebody said so, or lit one of its pots.
    expect(standsAt({})).toBe(false)
    expect(standsAt({ begun: { 'A.fry.do': { at: 1, doneAt: null } } })).toBe(true)
    expect(standsAt({ runs: { 'A.pot': 'x' } })).toBe(true)
    expect(standsAt({ tasks: [task('A.fry.do', -101)] })).toBe(true)
  })

  it('whose hour has passed is still planned from now', () => {
    expect(dinnerOf(meal(), kitchen, SERVED + 600_000)!.dinner.earliest).toBe(0)
  })
})
