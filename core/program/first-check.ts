import type { FigureRange } from './range'
import type { ResolvedPlan } from './resolve'
import type { Solution } from './solve'

export interface FirstCheck {
  figure: number
  /**
   * Why there: going on costs nothing (the food stands the whole range), or too much cannot be mended
   * (it would be past its limit), or there is no range to choose in.
   */
  reason: 'stands-more' | 'cannot-be-mended' | 'no-range'
}

/**
 * Where to stop and pinch one first. A closed pot costs a come-up each time it is opened too early, so
 * a food that stands the upper end of the range is first looked at there; one that would be past its
 * limit by then is looked at by the lower end, since it can still go on but not back.
 */
export function firstCheckOf(plan: ResolvedPlan, range: FigureRange, solution: Solution): FirstCheck {
  if (range.low === range.high) return { figure: range.figure, reason: 'no-range' }
  // Boil-minutes grow almost in proportion from the figure to the end of its range.
  const furtherTimes = range.high / Math.max(1, range.figure)
  const standsIt = plan.foods.every(
    ({ need }, i) => solution.simulation.boilMinutes[i]! * furtherTimes <= need.window.max,
  )
  return standsIt ? { figure: range.high, reason: 'stands-more' } : { figure: range.low, reason: 'cannot-be-mended' }
}
