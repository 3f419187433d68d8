import { lostCount, MOST_COUNTED, type LostCount } from '../program/count'
import { CLOSEST_COUNTED_S } from '../program/flame'
import type { LivePlan } from './course'
import type { Following } from './follow'
import { lastCycle } from './run'

/** A count that could be kept by the plan and cannot as the pot turned out, and what may be done instead. */
export interface LostAtStove extends LostCount {
  /** When the heat goes off by the clock, in ms since 1970; null where the pot is not understood. */
  offAt: number | null
  /** The flame can be turned lower. */
  canTurnLow: boolean
}

/** So many whistles tell how far apart they come. */
const LEAST_HEARD = 3

/** Tells it once whistles were heard; null while the count can be kept, and where the cook wanted such a count. */
export function lostAtStove({ answer, request }: LivePlan, following: Following): LostAtStove | null {
  const { state, course, advice, outlook } = following
  const cycle = lastCycle(state)
  const counts = course.program.at(-1)!.kind === 'whistles'
  if (state.phase !== 'heating' || !counts || !advice || !outlook) return null
  if (cycle.whistles.length < LEAST_HEARD || lostCount(answer) !== null) return null
  const newest = cycle.whistles.slice(-LEAST_HEARD)
  const everyS = (newest.at(-1)!.at - newest[0]!.at) / (newest.length - 1) / 1000
  const flame =
    cycle.flameChanges.at(-1)?.flame ?? (request.style.kind === 'whistles' ? (request.style.flame ?? 'low') : 'low')
  const told = {
    whistles: advice.figure,
    everyS,
    offAt: outlook.understood ? outlook.heatOffAt : null,
    canTurnLow: flame === 'high' || flame === 'medium',
  }
  if (advice.figure > MOST_COUNTED) return { reason: 'too-many', ...told }
  return everyS < CLOSEST_COUNTED_S ? { reason: 'too-close', ...told } : null
}
