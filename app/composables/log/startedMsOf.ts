import { firstLitAt, runState } from '~~/core/live/run'
import type { RunWithPlan } from '~~/shared/household'

/** When a run was lit, or else planned; in ms since 1970. */
export const startedMsOf = ({ events, createdAt }: Pick<RunWithPlan, 'events' | 'createdAt'>): number =>
  firstLitAt(runState(events)) ?? Date.parse(createdAt)
