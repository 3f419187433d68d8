import { figureReached } from '~~/core/live/facts'
import { firstLitAt, lastCycle, runState } from '~~/core/live/run'
import { MINUTE_MS } from '~~/core/measure/time'
import { unitOf } from '~~/core/program/answer'
import type { RunWithPlan } from '~~/shared/household'
import { startedMsOf } from './startedMsOf'

/** What the log says of a run: planned against happened, all closings of the lid together, in minutes from lighting. */
export function runFacts(run: RunWithPlan) {
  const state = runState(run.events)
  const { answer } = run.plan
  const litAt = firstLitAt(state)
  const { openedAt } = lastCycle(state)
  return {
    state,
    /** When it was lit, or else planned. */
    startedMs: startedMsOf(run),
    counts: unitOf(answer) === 'whistles',
    planned: {
      figure: answer.closings.reduce((sum, { range }) => sum + range.figure, 0),
      openMinute: answer.readyAtMinute,
    },
    happened: {
      figure: figureReached(answer, state),
      openMinute: litAt === null || openedAt === null ? null : (openedAt - litAt) / MINUTE_MS,
    },
  }
}
