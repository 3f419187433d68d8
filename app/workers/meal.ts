import { planDinner } from '~~/core/meal/dinner'
import { betterWays } from '~~/core/meal/ways'
import { begunOf, type AskedDinner } from '~~/shared/meal'

/** The board answers within this, with the best there is by then. */
const WITHIN_MS = 1800

/** A meal's plan, from the beginning or from where it stands. */
export function dinner({ dinner: asked, stands }: AskedDinner, withinMs = WITHIN_MS) {
  const going = stands
    ? { now: stands.now, begunOf: (tasks: Parameters<typeof begunOf>[0]) => begunOf(tasks, stands) }
    : null
  return planDinner({ ...asked, going }, { nowMs: () => performance.now(), withinMs })
}

/** What could be done otherwise, and what that would make better; for a dinner of which nothing has been begun. */
export function otherWays({ dinner: asked }: AskedDinner, withinMs: number) {
  return betterWays({ ...asked, going: null }, { nowMs: () => performance.now(), withinMs })
}

export type MealWork = typeof import('./meal')
