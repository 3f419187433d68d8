import { BURNERS } from '../appliance/burner'
import { MINUTE_MS } from '../measure/time'
import type { LivePlan } from './course'
import type { RunState } from './run'

/** No pot comes to pressure in less than this share of the time that the strongest flame takes (engineering estimate). */
const SOONEST_SHARE = 0.5

/**
 * From when on any pot of this kitchen with this in it could whistle, in ms since 1970, also one that stands on the
 * strongest flame in place of the planned one: before, it is still too cold. −Infinity where the plan says nothing of
 * it: a pot that was closed again while hot, one without pressure.
 */
export function whistlesFrom({ answer, request }: LivePlan, { cycles }: RunState): number {
  const [first] = cycles
  const { pressureAtMinute } = answer.closings[0]!.clock
  if (cycles.length > 1 || first.litAt === null || pressureAtMinute === null) return -Infinity
  const step = answer.closings[0]!.program.steps[0]!
  const strongestW = Math.max(
    BURNERS.strong.high,
    typeof request.burner === 'object' && 'high' in request.burner ? request.burner.high : 0,
  )
  const hotter = 'heatW' in step ? Math.min(1, step.heatW / strongestW) : 1
  return first.litAt + SOONEST_SHARE * hotter * pressureAtMinute * MINUTE_MS
}
