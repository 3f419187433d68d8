import { describe, expect, it } from 'vitest'
import { answerDish, USUAL_SALT } from '../../core/dish/dish'
import { dishRequestOf } from '../../shared/dish'
import { DISH } from '../../shared/dish.schema'
import { readOwn } from '../../shared/document'
import { HOUR_MS } from '../../core/measure/time'
import { planDinner } from '../../core/meal/dinner'
import { momentOf } from '../../shared/meal'
import { dinnerOf } from '../../shared/meal-request'
import { MEAL } from '../../shared/meal.schema'
import { DEMO_DISHES, DEMO_KITCHEN, demoDinner } from './demo'
import { asDocument } from './demo-dishes'

describe.each(DEMO_DISHES)('the demo dish $name', (dish) => {
  const document = asDocument(dish)

  it('is a dish as it is kept', () => {
    expect(readOwn(DISH, document)).toEqual(document)
  })

  it('is worked out whole in the demo kitchen, with nothing open and nothing refused', () => {
    const outcome = answerDish(dishRequestOf(document, DEMO_KITCHEN, Date.UTC(2026, 5, 1))!)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
    const { questions, cautions, stages, saltShare, massG } = outcome.value
    expect(questions).toEqual([])
    expect(stages.flatMap(({ problems }) => problems)).toEqual([])
    expect(cautions.filter(({ severity }) => severity === 'refuse')).toEqual([])
    expect(
      cautions
        .map(({ id }) => id)
        .filter((id) =>
          ['overcooked', 'program-short', 'never-cooked', 'simmer-dry', 'too-dry', 'too-wet'].includes(id),
        ),
    ).toEqual([])
    expect(massG / dish.servings).toBeGreaterThan(200)
    expect(massG / dish.servings).toBeLessThan(900)
    // A pudding is salted by the pinch.
    if (!dish.name.includes('pudding')) {
      expect(saltShare).toBeGreaterThan(USUAL_SALT[0] * 0.8)
      expect(saltShare).toBeLessThan(USUAL_SALT[1])
    }
  })
})

describe('the dinner of the demo', () => {
  it.each([0, 8, 16, 19, 22])('is planned whole for the evening, looked at %d h after midnight', (hour) => {
    const now = new Date(2026, 10, 30, hour, 20).getTime()
    const meal = demoDinner(now)
    expect(meal.servedAt - now).toBeGreaterThanOrEqual(2.5 * HOUR_MS)
    expect(meal.servedAt - now).toBeLessThan(24 * HOUR_MS)
    expect(readOwn(MEAL, meal)).toEqual(meal)
    const asked = dinnerOf(meal, DEMO_KITCHEN, now)!
    const outcome = planDinner({ ...asked.dinner, going: null }, { spent: () => 0, most: 1 })
    if (!outcome.ok || !outcome.value.possible) throw new Error(JSON.stringify(outcome))
    const { plan } = outcome.value.dinner
    // What the hands do is still to come, and the beans are in water already.
    const first = plan.tasks.filter(({ id }) => id !== 'A.soak.do').map(({ startMinute }) => startMinute)
    expect(momentOf(meal, Math.min(...first))).toBeGreaterThan(now)
  })
})
