import { MINUTE_MS } from '../measure/time'
import type { LivePlan } from './course'
import type { RunState } from './run'

/** No pot comes to pressure in less than this share of its planned time: it would take twice the heat (engineering estimate). */
const SOONEST_SHARE = 0.5

/**
 * From when on a pot can whistle at all, in ms since 1970: before, it is still too cold. −Infinity where the plan says
 * nothing of it: a pot that was closed again while hot, one whose flame was changed, one without pressure.
 */
export function whistlesFrom({ answer }: LivePlan, { legs }: RunState): number {
  const [first] = legs
  const { pressureAtMinute } = answer.closings[0]!.clock
  if (legs.length > 1 || first.litAt === null || first.flameChanges.length > 0 || pressureAtMinute === null)
    return -Infinity
  return first.litAt + SOONEST_SHARE * pressureAtMinute * MINUTE_MS
}
