import { holdsPressure } from '../appliance/appliance'
import { MINUTE_MS } from '../measure/time'
import { heatSd, expectedOf } from './infer'
import { replay, type Course } from './course'
import type { Heard } from './match'
import { lastLeg, type RunState } from './run'

/** A pot from which nothing has come although it is long due: no whistle, no pressure. */
export interface Overdue {
  /** When it was due as planned, in ms since 1970. */
  dueAt: number
  /** Free water in g if all the steam has been escaping since it boiled: the least that there can be. */
  leastWaterG: number
}

/** So many standard deviations of the heat may a pot be late before it is asked about. */
const LATE_SDS = 2
/** And so many more in any case: hands, and a lid that seals slowly (engineering estimate). */
const LATE_MINUTES = 1

/** True if the program goes by what the pot tells: who cooks by the clock need not say that it whistles. */
function waitsForSign({ program, pot }: Course): boolean {
  return holdsPressure(pot.appliance) && ['whistles', 'pressure', 'at-pressure'].includes(program[0]!.kind)
}

/**
 * What to make of a pot that has been on the heat for so long and from which nothing was heard; null while it may
 * just be slow. The weight may not sit, a gasket may leak, a flame may be out, or nobody may have counted.
 */
export function overdueOf(course: Course, state: RunState, heard: Heard, nowMs: number): Overdue | null {
  if (state.phase !== 'heating' || heard.minutes.length > 0 || !waitsForSign(course)) return null
  const leg = lastLeg(state)
  const [due] = expectedOf(course, leg, { logHeat: 0, logSwing: 0 }, nowMs)
  const sd = heatSd(course)
  const elapsed = (nowMs - leg.litAt!) / MINUTE_MS
  if (due === undefined || elapsed < due * Math.exp(LATE_SDS * sd) + LATE_MINUTES) return null
  // With the weight off from the start, on the hotter side of what the flame may be.
  const open = replay(course, { ...leg, valveOpenedAt: leg.litAt }, { logHeat: sd, logSwing: 0 }, nowMs)
  return { dueAt: leg.litAt! + due * MINUTE_MS, leastWaterG: open.now().freeWaterG }
}
