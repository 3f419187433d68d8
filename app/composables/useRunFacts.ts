import { runState } from '~~/core/live/run'
import type { RunWithPlan } from '~~/shared/kitchen'

/** What the log says of a run: planned against happened, in minutes from lighting. */
export function runFacts(run: RunWithPlan) {
  const state = runState(run.events)
  const { litAt } = state
  const minute = (ms: number | null) => (ms === null || litAt === null ? null : (ms - litAt) / 60_000)
  const { answer } = run.plan
  const counts = answer.range.unit === 'whistles'
  const heatOff = minute(state.heatOffAt)
  const atPressure = state.atPressureAt ?? state.flameChanges[0]?.at ?? null
  return {
    state,
    counts,
    planned: { figure: answer.range.figure, openMinute: answer.clock.openAtMinute },
    happened: {
      /** Whistles counted, or minutes at pressure or on low. */
      figure: counts
        ? state.whistlesAt.length
        : heatOff === null || atPressure === null
          ? null
          : heatOff - minute(atPressure)!,
      openMinute: minute(state.openedAt),
    },
    onStrip:
      litAt === null
        ? null
        : { whistles: state.whistlesAt.map((at) => minute(at)!), heatOff, opened: minute(state.openedAt) },
  }
}
