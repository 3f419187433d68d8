import { workBudget } from '~~/core/meal/budget'
import { planDinner } from '~~/core/meal/dinner'
import { betterWays } from '~~/core/meal/ways'
import { begunOf, type AskedDinner } from '~~/shared/meal-request'

/** A meal's plan, from the beginning or from where it stands, with so many pieces of work. */
export function dinner({ dinner: asked, stands }: AskedDinner, work: number) {
  const going = stands
    ? { now: stands.now, begunOf: (tasks: Parameters<typeof begunOf>[0]) => begunOf(tasks, stands) }
    : null
  return planDinner({ ...asked, going }, workBudget(work))
}

/** What could be done otherwise, and what that would make better; for a dinner of which nothing has been begun. */
export function otherWays({ dinner: asked }: AskedDinner, work: number) {
  return betterWays({ ...asked, going: null }, workBudget(work))
}

export type MealWork = typeof import('./meal')
