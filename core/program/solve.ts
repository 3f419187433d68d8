import type { Simulation, SimulationCase } from '../pot/case'
import { startRun } from '../pot/run'
import { failed, problem, type Outcome } from '../problem'
import { caseOf } from './load'
import type { ResolvedPlan } from './resolve'
import { shapeOf } from './styles'

export interface Solution {
  /** The smallest whole number of whistles or minutes that cooks every food. */
  figure: number
  /** The same before rounding up to a whole number; for ranges. */
  exactFigure: number
  simulation: Simulation
  case: SimulationCase
}

/**
 * The release is worked out anew once a food is estimated to be this close to its need. Wide, since
 * the middle of a thick piece still lags at the first whistle and takes more from a later release.
 */
const CLOSE = 0.6

/**
 * The smallest program of the plan's style in which every food gets what it needs, with so much
 * water poured; `needTimes` multiplies every need (for the spread of batches).
 *
 * The program is run once, a whistle or a minute at a time. After each the pot could be turned off:
 * what the release would add is known from the last time it was worked out, and is worked out again
 * from that very moment when the answer is near.
 */
export function solve(plan: ResolvedPlan, pourG: number, needTimes = 1): Outcome<Solution> {
  const shape = shapeOf(plan.style, plan.burner)
  const base = caseOf(plan, pourG, [])
  const run = startRun(base)
  const needs = plan.foods.map(({ need }) => need.boilMinutes * needTimes)
  const surplusOf = (gets: readonly number[]) => Math.min(...gets.map((got, i) => got / needs[i]! - 1))

  const ended = () => {
    const { ending, heatOffMinute } = run.result()
    if (ending === 'boiled-dry') return failed(problem('boils-dry', 'contents', { minutes: Math.round(heatOffMinute) }))
    return failed(problem(ending === 'never-reaches-pressure' ? ending : 'never-ends', 'style'))
  }

  if (!shape.before.every((step) => run.step(step)) || !run.step(shape.last(shape.min))) return ended()

  let previousSurplus: number | null = null
  let releaseAdds: number[] | null = null
  for (let figure = shape.min; ; figure++) {
    const moment = run.save()
    const soFar = run.boilMinutes()
    const estimate: number = releaseAdds ? surplusOf(soFar.map((got, i) => got + releaseAdds![i]!)) : -CLOSE
    let surplus = estimate
    if (estimate >= -CLOSE) {
      if (plan.release && !run.release(plan.release)) return ended()
      const afterwards = run.boilMinutes()
      releaseAdds = afterwards.map((got, i) => got - soFar[i]!)
      surplus = surplusOf(afterwards)
    }
    if (surplus >= 0) {
      const exactFigure = previousSurplus === null ? figure : figure - surplus / (surplus - previousSurplus)
      const program = [...shape.before, shape.last(figure)]
      return { ok: true, value: { figure, exactFigure, simulation: run.result(), case: { ...base, program } } }
    }
    if (figure >= shape.max) {
      const worst = soFar.map((got, i) => got / needs[i]!)
      const food = plan.foods[worst.indexOf(Math.min(...worst))]!.food.name
      return failed(problem('not-enough-program', 'style', { food }))
    }
    previousSurplus = surplus
    run.restore(moment)
    if (!run.step(shape.next(figure + 1))) return ended()
  }
}
