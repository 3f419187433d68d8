import type { Step } from '../appliance/step.schema'
import type { Leg } from './run'

/** When the step in which the figure is counted began, in ms since 1970; null before. */
export function lastStepSince(program: readonly Step[], leg: Leg): number | null {
  if (program.at(-1)!.kind === 'at-pressure') return leg.atPressureAt
  const before = program.at(-2)
  if (!before) return leg.litAt
  const from = endedAt(before, leg)
  return leg.flameChanges.findLast(({ at }) => from == null || at >= from)?.at ?? null
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
