import { MINUTE_MS } from '../measure/time'
import { unitOf, type PlanAnswer } from '../program/answer'
import type { Cycle, RunState } from './run'

/** What has happened in one closing of the lid, in minutes from lighting. */
export interface Happened {
  whistles: number[]
  heatOff: number | null
  opened: number | null
}

/** What has happened in one closing of the lid; null before it was lit. */
export function happenedIn({ litAt, whistles, heatOffAt, openedAt }: Cycle): Happened | null {
  if (litAt === null) return null
  const minute = (ms: number) => (ms - litAt) / MINUTE_MS
  return {
    whistles: whistles.map(({ at }) => minute(at)),
    heatOff: heatOffAt === null ? null : minute(heatOffAt),
    opened: openedAt === null ? null : minute(openedAt),
  }
}

/** The figure of the plan as it really was, all closings together: whistles counted, or minutes; null while it is not over. */
export function figureReached(plan: PlanAnswer, { cycles }: RunState): number | null {
  const figures = cycles.map((cycle) => figureOfCycle(plan, cycle))
  return figures.some((figure) => figure === null) ? null : figures.reduce<number>((sum, figure) => sum + figure!, 0)
}

/** Whether a pot was opened after at least what was planned; false where that cannot be told. */
export function wasCookedAsPlanned(plan: PlanAnswer, state: RunState): boolean {
  const reached = figureReached(plan, state)
  const planned = plan.closings.reduce((sum, { range }) => sum + range.figure, 0)
  return state.phase === 'opened' && reached !== null && reached >= planned
}

function figureOfCycle(plan: PlanAnswer, cycle: Cycle): number | null {
  if (unitOf(plan) === 'whistles') return cycle.whistles.length
  if (cycle.heatOffAt === null) return null
  const { steps } = plan.closings[0]!.program
  const from =
    steps.at(-1)!.kind === 'at-pressure'
      ? cycle.atPressureAt
      : steps.length > 1 && cycle.flameChanges.length > 0
        ? cycle.flameChanges.at(-1)!.at
        : cycle.litAt
  return from === null ? null : (cycle.heatOffAt - from) / MINUTE_MS
}
