import { figureReached, happenedIn } from '~~/core/live/facts'
import { runState } from '~~/core/live/run'
import type { RunWithPlan } from '~~/shared/kitchen'

/** What the log says of a run: planned against happened, in minutes from lighting. */
export function runFacts(run: RunWithPlan) {
  const state = runState(run.events)
  const { answer } = run.plan
  const onStrip = happenedIn(state)
  return {
    state,
    counts: answer.range.unit === 'whistles',
    planned: { figure: answer.range.figure, openMinute: answer.clock.openAtMinute },
    happened: { figure: figureReached(answer, state), openMinute: onStrip?.opened ?? null },
    onStrip,
  }
}
