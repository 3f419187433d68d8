import { MINUTE_MS } from '../measure/time'
import { unitOf, type PlanAnswer } from '../program/answer'
import type { Leg, RunState } from './run'

/** What has happened in one closing of the lid, in minutes from lighting. */
export interface Happened {
  whistles: number[]
  heatOff: number | null
  opened: number | null
}

/** What has happened in one closing of the lid; null before it was lit. */
export function happenedIn({ litAt, whistles, heatOffAt, openedAt }: Leg): Happened | null {
  if (litAt === null) return null
  const minute = (ms: number) => (ms - litAt) / MINUTE_MS
  return {
    whistles: whistles.map(({ at }) => minute(at)),
    heatOff: heatOffAt === null ? null : minute(heatOffAt),
    opened: openedAt === null ? null : minute(openedAt),
  }
}

/** The figure of the plan as it really was, all closings together: whistles counted, or minutes; null while it is not over. */
export function figureReached(plan: PlanAnswer, { legs }: RunState): number | null {
  const figures = legs.map((leg) => figureOfLeg(plan, leg))
  return figures.some((figure) => figure === null) ? null : figures.reduce<number>((sum, figure) => sum + figure!, 0)
}

function figureOfLeg(plan: PlanAnswer, leg: Leg): number | null {
  if (unitOf(plan) === 'whistles') return leg.whistles.length
  if (leg.heatOffAt === null) return null
  const { steps } = plan.closings[0]!.program
  const from =
    steps.at(-1)!.kind === 'at-pressure'
      ? leg.atPressureAt
      : steps.length > 1 && leg.flameChanges.length > 0
        ? leg.flameChanges.at(-1)!.at
        : leg.litAt
  return from === null ? null : (leg.heatOffAt - from) / MINUTE_MS
}
