import type { LivePlan } from './course'
import type { Following } from './follow'
import { lastCycle } from './run'

/** A pot that whistles much more or less often than its flame was set for. */
export interface Pace {
  is: 'quick' | 'slow'
  /** Seconds between the newest whistles, and as planned. */
  everyS: number
  plannedS: number
}

/** So many gaps on the flame that is counted on tell its pace. */
const LEAST_GAPS = 2
/** Beyond this factor of what was planned the knob is worth a turn (engineering estimate). */
const WORTH_A_TURN = 1.6

/**
 * Whether the flame wants turning a little: a cook sets it by how often the pot whistles, and a flame at the pace that
 * was planned keeps its water and its count. Null while nobody can tell, and where nothing was said of the pace.
 */
export function paceAtStove({ answer, request }: LivePlan, { state, course }: Following): Pace | null {
  const { style } = request
  const cycle = lastCycle(state)
  const plannedS = answer.closings[course.closing.number]?.program.whistleEveryS ?? null
  if (style.kind !== 'whistles' || style.heatUp === undefined || plannedS === null || state.phase !== 'heating')
    return null
  const from = cycle.flameChanges.at(-1)?.at
  // The first after the flame was turned still has some of the other flame in it.
  const newest = from === undefined ? [] : cycle.whistles.filter(({ at }) => at > from).slice(-LEAST_GAPS - 1)
  if (newest.length <= LEAST_GAPS) return null
  const everyS = (newest.at(-1)!.at - newest[0]!.at) / LEAST_GAPS / 1000
  const times = everyS / plannedS
  if (times * WORTH_A_TURN < 1) return { is: 'quick', everyS, plannedS }
  return times > WORTH_A_TURN ? { is: 'slow', everyS, plannedS } : null
}
