import { objectiveOf, type Objective, type Placed } from './objective'
import type { MealRequest } from './meal.schema'
import { modelOf } from './model'
import { endOf, type Budget } from './budget'

export interface MealPlan extends Objective {
  tasks: Placed[]
  /** No plan has less than this. */
  bound: Objective
  /** The plan is the best there is, by proof. */
  optimal: boolean
}

type Ask = (least: number, best: number) => number

/** Few questions, each of which may be hard: for a goal of which most values can be told at a glance. */
const halfway: Ask = (least, best) => Math.floor((least + best) / 2)

/**
 * Many easy ones, each with a better plan, and then the only hard one. Where the goal is a sum of many waits, to
 * show that half of it cannot be had takes nearly as long as to show that no minute less can.
 */
const oneLess: Ask = (_, best) => best - 1

/** What is made small, the first first; how it is asked for, with how much of the time that is left that may take. */
const IN_ORDER: readonly { goal: keyof Objective; asks: readonly { ask: Ask; share: number }[] }[] = [
  { goal: 'handsLateMinutes', asks: [{ ask: halfway, share: 0.4 }] },
  { goal: 'spanMinutes', asks: [{ ask: halfway, share: 0.5 }] },
  {
    goal: 'holdingMinutes',
    asks: [
      { ask: oneLess, share: 0.75 },
      // No proof by then: at least how much could be better at most.
      { ask: halfway, share: 1 },
    ],
  },
]

/**
 * The best plan of a meal: fewest minutes of hands in the last 20 before serving, then the shortest span, then the
 * least holding; each proved if there is time. Of plans that are as good the one nearest to `like` is likely. Null where
 * there is no plan at all, 'stopped' where none was found in time. Exact: the search below closes the gap between what it found and what it has shown to be impossible.
 */
export function scheduleMeal(
  request: MealRequest,
  budget: Budget,
  like: readonly Placed[] = [],
): MealPlan | null | 'stopped' {
  const { search, objectives, placed } = modelOf(request, 0, like)
  const { spent, most } = budget
  const end = spent() + most
  const first = search.solve([], endOf(budget))
  if (first !== 'found') return first === 'none' ? null : 'stopped'
  let tasks = placed()
  const bound = Object.fromEntries(IN_ORDER.map(({ goal }) => [goal, objectives[goal].least()])) as {
    [F in keyof Objective]: number
  }
  let optimal = true
  for (const { goal, asks } of IN_ORDER) {
    const objective = objectives[goal]
    let least = Math.max(0, objective.least())
    let best = objectiveOf(request, tasks)[goal]
    for (const { ask, share } of asks) {
      const stop = endOf({ ...budget, most: end - spent() }, share)
      while (least < best) {
        const most = ask(least, best)
        const outcome = search.solve([objective.atMost(most)], stop)
        if (outcome === 'stopped') break
        if (outcome === 'none') least = most + 1
        else {
          tasks = placed()
          best = objectiveOf(request, tasks)[goal]
        }
      }
    }
    if (optimal) bound[goal] = least
    if (least < best) optimal = false
    const { side, value } = objective.atMost(best)
    search.require(side, value)
  }
  return { tasks, ...objectiveOf(request, tasks), bound, optimal }
}
