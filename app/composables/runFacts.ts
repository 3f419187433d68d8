import { figureReached } from '~~/core/live/facts'
import { firstLitAt, runState } from '~~/core/live/run'
import { readyAtMinute } from '~~/core/program/answer'
import type { RunWithPlan } from '~~/shared/kitchen'

/** What the log says of a run: planned against happened, all closings of the lid together, in minutes from lighting. */
export function runFacts(run: RunWithPlan) {
  const state = runState(run.events)
  const { answer } = run.plan
  const litAt = firstLitAt(state)
  const later = answer.later ?? []
  return {
    state,
    litAt,
    counts: answer.range.unit === 'whistles',
    planned: {
      figure: later.reduce((sum, { range }) => sum + range.figure, answer.range.figure),
      openMinute: readyAtMinute(answer),
    },
    happened: {
      figure: figureReached(answer, state),
      openMinute: litAt === null || state.openedAt === null ? null : (state.openedAt - litAt) / 60_000,
    },
  }
}
