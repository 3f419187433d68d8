import type { Step } from '../appliance/step.schema'
import type { Course } from './course'
import type { Cycle } from './run'

/**
 * When the step in which the figure is counted began, in ms since 1970; null before. It begins with the first flame
 * that was set once the step before was over: one that is turned again goes on in it. A hand that was quicker, or
 * another device's clock, may put flame and sign the other way round.
 */
export function lastStepSince({ program, closing }: Pick<Course, 'program' | 'closing'>, cycle: Cycle): number | null {
  if (program.at(-1)!.kind === 'at-pressure') return cycle.atPressureAt
  const before = program.at(-2)
  if (!before) return cycle.litAt
  const from = endedAt(before, cycle)
  const turned = cycle.flameChanges.at(-1)
  if (!turned) return null
  if (from == null) return turned.at
  // Turned a moment before its sign was written down, it is cooked on from the sign.
  const then = cycle.flameChanges.findLast(({ at }) => at < from)
  if (then && closing.pot.burner[then.flame] === heatOf(program.at(-1)!)) return from
  return cycle.flameChanges.find(({ at }) => at >= from)?.at ?? null
}

/** True where the figure is minutes on a flame that the pot is turned down to. */
export const goesByMinutes = (program: readonly Step[]) => program.length > 1 && program.at(-1)!.kind !== 'whistles'

const heatOf = (step: Step) => ('heatW' in step ? step.heatW : null)

/** True once a pot that was cooked on a low flame was turned up again, to hear it whistle. */
export function isTurnedUpAgain({ program, closing }: Pick<Course, 'program' | 'closing'>, cycle: Cycle): boolean {
  const last = cycle.flameChanges.at(-1)
  const since = lastStepSince({ program, closing }, cycle)
  if (!last || since === null || !goesByMinutes(program) || last.at <= since) return false
  const counted = heatOf(program.at(-1)!)
  return counted !== null && closing.pot.burner[last.flame] > counted
}

/** When a step that waits for a sign of the pot was over; null or undefined before. */
function endedAt(step: Step, cycle: Cycle): number | null | undefined {
  switch (step.kind) {
    case 'whistles':
      return cycle.whistles[step.untilWhistles - 1]?.at
    case 'pressure':
      return cycle.atPressureAt
    default:
      return cycle.boilsAt
  }
}
