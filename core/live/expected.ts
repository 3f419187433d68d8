import type { LivePlan } from './course'
import type { Following } from './follow'
import { whistlesFrom } from './too-cold'

// Engineering estimates: log odds, so 1 is 2.7 times likelier.
const COLD = -2
const JUST_BEEN = -1.5
const NOT_YET = -0.5
const DUE = 1
/** Shares of the time between two whistles of this pot. */
const JUST_BEEN_SHARE = 0.3
const DUE_SHARE = 0.8

/**
 * Log odds by which a whistle of this pot is likelier now (positive) or less likely than at any moment, for the ear:
 * none can come of a cold pot nor straight after another, and one that is due needs less to be believed.
 */
export function expectedWhistle(plan: LivePlan, { state, outlook }: Following, nowMs: number): number {
  if (nowMs < whistlesFrom(plan, state)) return COLD
  const last = state.cycles.at(-1)?.whistles.at(-1)?.at
  const next = outlook?.nextWhistleAt
  if (last === undefined || !next || next <= last) return 0
  const share = (nowMs - last) / (next - last)
  return share < JUST_BEEN_SHARE ? JUST_BEEN : share < DUE_SHARE ? NOT_YET : DUE
}
