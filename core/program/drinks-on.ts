import { setsAsGrain } from '../food/food'
import { mostUptake } from '../food/texture'
import type { Outcome } from '../problem'
import { inBase, type Closing } from './closing'
import type { Solution } from './solve'

/** How much it drinks and how long it boils follow from each other; so many rounds bring them together. */
const ROUNDS = 4

/**
 * A closing of a pot that boils open, in which `overG` more water stands than it is planned with: its grain drinks of
 * that, which in turn decides when the pot is dry. The solution as it is where there is no such grain.
 */
export function drinkingOn(
  closing: Closing,
  solution: Solution,
  overG: number,
  solve: (closing: Closing) => Outcome<Solution>,
): Outcome<Solution> {
  const { grain } = solution.case
  const item = inBase(closing).find(({ food }) => setsAsGrain(food))
  if (!grain || !item || overG <= 0) return { ok: true, value: solution }
  const allPerG = grain.uptakeMax + overG / 1000 / grain.dryKg
  let solved = solution
  let doseShare = 1
  for (let round = 0; round < ROUNDS; round++) {
    // The mean of both, since what drinks more is dry sooner.
    doseShare = Math.sqrt(doseShare * (solved.simulation.boilMinutes[grain.food ?? 0]! / grain.tenderBoilMinutes))
    const mostUptakePerG = Math.min(allPerG, mostUptake(item.food, doseShare, item.vessel))
    const again = solve({ ...closing, mostUptakePerG })
    if (!again.ok) return again
    solved = again.value
  }
  return { ok: true, value: solved }
}
