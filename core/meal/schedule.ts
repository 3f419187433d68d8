import { figuresOf, type MealFigures, type Placed } from './figures'
import type { MealRequest } from './meal.schema'
import { modelOf } from './model'

export interface MealPlan extends MealFigures {
  tasks: Placed[]
  /** No plan has less than this. */
  bound: MealFigures
  /** The plan is the best there is, by proof. */
  optimal: boolean
}

/** How long it may take, by a clock that is given: core has none. */
export interface Patience {
  /** Milliseconds, from any beginning. */
  nowMs: () => number
  /** When the best plan so far is taken. */
  withinMs: number
  /** Asked now and then: true ends it at once. */
  stopped?: () => boolean
}

/** What is made small, the first first, with how much of the time that is left it may take. */
const IN_ORDER = [
  { figure: 'handsLateMinutes', share: 0.4 },
  { figure: 'spanMinutes', share: 0.5 },
  { figure: 'holdingMinutes', share: 1 },
] as const

/**
 * The best plan of a meal: fewest minutes of hands in the last 20 before serving, then the shortest span, then the
 * least holding; each proved if there is time. Of plans that are as good the one nearest to `like` is likely. Null where there is no plan at all, 'stopped' where none was found in
 * time. Exact: the search below closes the gap between what it found and what it has shown to be impossible.
 */
export function scheduleMeal(
  request: MealRequest,
  { nowMs, withinMs, stopped = () => false }: Patience,
  like: readonly Placed[] = [],
): MealPlan | null | 'stopped' {
  const { search, objectives, placed } = modelOf(request, 0, like)
  const end = nowMs() + withinMs
  const until = (at: number) => () => stopped() || nowMs() > at
  const first = search.solve([], until(end))
  if (first !== 'found') return first === 'none' ? null : 'stopped'
  let tasks = placed()
  const bound = Object.fromEntries(IN_ORDER.map(({ figure }) => [figure, objectives[figure].least()])) as {
    [F in keyof MealFigures]: number
  }
  let optimal = true
  for (const { figure, share } of IN_ORDER) {
    const objective = objectives[figure]
    const stop = until(nowMs() + share * (end - nowMs()))
    let least = Math.max(0, objective.least())
    let best = figuresOf(request, tasks)[figure]
    while (least < best) {
      const middle = Math.floor((least + best) / 2)
      const outcome = search.solve([objective.atMost(middle)], stop)
      if (outcome === 'stopped') break
      if (outcome === 'none') least = middle + 1
      else {
        tasks = placed()
        best = figuresOf(request, tasks)[figure]
      }
    }
    if (optimal) bound[figure] = least
    if (least < best) optimal = false
    const { side, value } = objective.atMost(best)
    search.require(side, value)
  }
  return { tasks, ...figuresOf(request, tasks), bound, optimal }
}
