import type { Step } from '../appliance/step.schema'
import type { Course } from './course'
import type { Leg } from './run'

/**
 * When the step in which the figure is counted began, in ms since 1970; null before. It begins with the flame that it
 * is cooked on, and with the sign that ends the step before: a hand that was quicker, or another device's clock, may
 * put them the other way round.
 */
export function lastStepSince({ program, closing }: Pick<Course, 'program' | 'closing'>, leg: Leg): number | null {
  if (program.at(-1)!.kind === 'at-pressure') return leg.atPressureAt
  const before = program.at(-2)
  if (!before) return leg.litAt
  const from = endedAt(before, leg)
  const turned = leg.flameChanges.at(-1)
  if (!turned) return null
  if (from == null || turned.at >= from) return turned.at
  const last = program.at(-1)!
  return 'heatW' in last && closing.pot.burner[turned.flame] === last.heatW ? from : null
}

/** When a step that waits for a sign of the pot was over; null or undefined before. */
function endedAt(step: Step, leg: Leg): number | null | undefined {
  switch (step.kind) {
    case 'whistles':
      return leg.whistles[step.untilWhistles - 1]?.at
    case 'pressure':
      return leg.atPressureAt
    default:
      return leg.boilsAt
  }
}
