import { MINUTE_MS } from '../measure/time'
import type { StageAnswer } from './dish'

/**
 * When the stages after one begin, in ms since 1970, once it is known when that one ends: what takes longer or is over
 * sooner than planned moves all that waits for it. What could have begun beside it begins now.
 */
export function upcoming(
  stages: readonly Pick<StageAnswer, 'startMinute' | 'minutes'>[],
  index: number,
  { endMs, nowMs }: { endMs: number; nowMs: number },
): number[] {
  const current = stages[index]
  if (!current) return []
  const plannedEnd = current.startMinute + current.minutes
  return stages
    .slice(index + 1)
    .map(({ startMinute }) => Math.max(nowMs, endMs + (startMinute - plannedEnd) * MINUTE_MS))
}
