import { failed, problem, type Outcome } from '../problem'
import { problemsOfMeal } from './checks'
import { whyImpossible, type Impossible } from './impossible'
import type { Placed } from './objective'
import type { MealRequest } from './meal.schema'
import type { Budget } from './budget'
import { scheduleMeal, type MealPlan } from './schedule'

export type MealAnswer = { possible: true; plan: MealPlan } | ({ possible: false } & Impossible)

/** A share of the time is kept for saying why there is no plan. */
const TIME_FOR_REASONS = 0.3

/**
 * Plans a meal: when each task begins, in minutes from serving, with its three figures and what is proved of them
 * (`scheduleMeal`); or, where there is no plan, which wishes exclude each other and what alone would repair it.
 * Problems where the request cannot be understood, or where neither was found in time.
 */
export function planMeal(request: MealRequest, budget: Budget, like: readonly Placed[] = []): Outcome<MealAnswer> {
  const problems = problemsOfMeal(request)
  if (problems.length > 0) return failed(...problems)
  const plan = scheduleMeal(request, budget, like)
  if (plan === 'stopped') return failed(problem('meal-not-in-time', 'tasks'))
  if (plan) return { ok: true, value: { possible: true, plan } }
  const reasons = { ...budget, most: budget.most * TIME_FOR_REASONS }
  return { ok: true, value: { possible: false, ...whyImpossible(request, reasons) } }
}
