import type { PlanAnswer } from '../program/answer'
import type { NextAction } from './next'
import type { RunState } from './run'

const MINUTE_MS = 60_000

/** When things will happen as it now looks, in ms since 1970. */
export interface RunTimes {
  pressureMs: number | null
  heatOffMs: number
  openMs: number
}

/** Waits whose end the clock knows; the others end when the pot says so. */
const KNOWN_WAITS: readonly NextAction['id'][] = ['wait-low', 'wait-at-pressure', 'wait-clock', 'wait-dry']

/**
 * When the heat will be off and the lid open, from the plan, moved by how early or late the last thing
 * came that the plan foresaw (a whistle, the pressure). `whistleMinutes` are the plan's.
 */
export function runTimes(
  plan: PlanAnswer,
  whistleMinutes: readonly number[],
  state: RunState,
  action: NextAction,
  nowMs: number,
): RunTimes {
  const { pressureAtMinute, heatOffAtMinute, openAtMinute } = plan.clock
  const startMs = state.litAt ?? nowMs
  const planned = (minute: number) => startMs + minute * MINUTE_MS
  const heatOffMs =
    state.heatOffAt ??
    (KNOWN_WAITS.includes(action.id) ? action.dueAt : null) ??
    Math.max(nowMs, planned(heatOffAtMinute) + lateMs())
  return {
    pressureMs: pressureAtMinute === null ? null : planned(pressureAtMinute),
    heatOffMs,
    openMs: state.openedAt ?? heatOffMs + (openAtMinute - heatOffAtMinute) * MINUTE_MS,
  }

  function lateMs(): number {
    const heard = Math.min(state.whistlesAt.length, whistleMinutes.length)
    if (heard > 0) return state.whistlesAt.at(-1)! - planned(whistleMinutes[heard - 1]!)
    if (state.atPressureAt !== null && pressureAtMinute !== null) return state.atPressureAt - planned(pressureAtMinute)
    return 0
  }
}

/** What has happened in a run, in minutes from lighting; null before it was lit. */
export interface Happened {
  whistles: number[]
  heatOff: number | null
  opened: number | null
}

export function happenedIn(state: RunState): Happened | null {
  const { litAt } = state
  if (litAt === null) return null
  const minute = (ms: number) => (ms - litAt) / MINUTE_MS
  return {
    whistles: state.whistlesAt.map(minute),
    heatOff: state.heatOffAt === null ? null : minute(state.heatOffAt),
    opened: state.openedAt === null ? null : minute(state.openedAt),
  }
}

/** The figure of the plan as it really was: whistles counted, or minutes; null while it is not over. */
export function figureReached(plan: PlanAnswer, state: RunState): number | null {
  if (plan.range.unit === 'whistles') return state.whistlesAt.length
  if (state.heatOffAt === null) return null
  const last = plan.program.steps.at(-1)!
  const from =
    'minutesAtPressure' in last
      ? state.atPressureAt
      : plan.program.steps.length > 1 && state.flameChanges.length > 0
        ? state.flameChanges.at(-1)!.at
        : state.litAt
  return from === null ? null : (state.heatOffAt - from) / MINUTE_MS
}
