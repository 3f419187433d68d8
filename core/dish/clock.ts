import type { Stage } from './dish.schema'
import { STAGES } from './stages'

export interface StageTimes {
  /** Minutes from the hour on the table; what is before it is negative. */
  startMinute: number
  minutes: number
  handsMinutes: number
}

interface Timed {
  stage: Stage
  minutes: number
  handsMinutes: number
}

/**
 * When each stage begins, so that all is done at 0: each as late as those that take from it allow, and with one pair
 * of hands, which are busy at the beginning of a stage. A meal of several dishes is scheduled in full (core/meal).
 */
export function clockOf(timed: readonly Timed[]): StageTimes[] {
  const times = new Map<string, StageTimes>()
  const busy: { from: number; to: number }[] = []
  for (const { stage, minutes, handsMinutes } of [...timed].reverse()) {
    if (STAGES[stage.kind].afterServing) {
      times.set(stage.id, { startMinute: 0, minutes, handsMinutes })
      continue
    }
    const takers = timed.filter(
      ({ stage: { id, kind, from } }) =>
        !STAGES[kind].afterServing && id !== stage.id && from.some((one) => one.stage === stage.id),
    )
    let start = Math.min(0, ...takers.map((taker) => times.get(taker.stage.id)?.startMinute ?? 0)) - minutes
    if (handsMinutes > 0) {
      // From the latest on: each that is in the way moves it before itself, and none that was passed comes again.
      for (const { from, to } of busy.sort((a, b) => b.from - a.from))
        if (start < to && start + handsMinutes > from) start = from - handsMinutes
      busy.push({ from: start, to: start + handsMinutes })
    }
    times.set(stage.id, { startMinute: start, minutes, handsMinutes })
  }
  return timed.map(({ stage }) => times.get(stage.id)!)
}
