import { holdsPressure } from '../pot/appliance'
import type { Step } from '../pot/case'
import type { PlanAnswer } from '../program/answer'
import type { RunEventData, RunState } from './run'

/** What the cook does next, and the event that says it was done. */
export interface NextAction {
  id:
    | 'light'
    | 'start-electric'
    | 'wait-first-whistle'
    | 'count'
    | 'turn-low'
    | 'wait-low'
    | 'wait-boil'
    | 'wait-clock'
    | 'wait-dry'
    | 'wait-pressure'
    | 'wait-at-pressure'
    | 'turn-off'
    | 'let-finish'
    | 'wait-fall'
    | 'wait-rest'
    | 'open-valve'
    | 'wait-valve'
    | 'open'
    | 'judge'
    | 'abandoned'
  /** The event that the main button stands for; null when there is nothing to say. */
  event: RunEventData | null
  /** When the waiting is due to end, in ms since 1970; null when only the pot knows. */
  dueAt: number | null
  /** Whistles still to come. */
  whistlesLeft: number
}

const MINUTE_MS = 60_000

/** True for pots that switch themselves off; the others have a flame that the cook turns. */
export function runsByItself(plan: PlanAnswer): boolean {
  const { kind } = plan.simulation.appliance
  return kind !== 'whistling' && kind !== 'regulator' && kind !== 'open'
}

/** The one next action of a run, from its plan, what has happened, and the time. */
export function nextAction(plan: PlanAnswer, state: RunState, nowMs: number): NextAction {
  const itself = runsByItself(plan)
  switch (state.phase) {
    case 'ready':
      return action(itself ? 'start-electric' : 'light', { kind: 'lit' })
    case 'heating':
      return whileHeating()
    case 'releasing':
      return holdsPressure(plan.simulation.appliance) ? whileReleasing() : whileResting()
    case 'safe':
      return action('open', { kind: 'opened' })
    case 'opened':
      return action('judge', null)
    case 'abandoned':
      return action('abandoned', null)
  }

  function action(
    id: NextAction['id'],
    event: RunEventData | null,
    dueAt: number | null = null,
    whistlesLeft = 0,
  ): NextAction {
    return { id, event, dueAt, whistlesLeft }
  }

  /** Walks the program's steps along what has happened, and stops at the first that is not over. */
  function whileHeating(): NextAction {
    let at = state.litAt!
    for (const [i, step] of plan.program.steps.entries()) {
      const pending = stepAction(step, i, at)
      if (typeof pending !== 'number') return pending
      at = pending
    }
    return itself ? action('let-finish', { kind: 'heat-off' }, at) : action('turn-off', { kind: 'heat-off' })
  }

  /** The action of a step that is still going on, or the time at which it ended. */
  function stepAction(step: Step, index: number, at: number): NextAction | number {
    const { pressureAtMinute } = plan.clock
    const pressureDue = pressureAtMinute === null ? null : state.litAt! + pressureAtMinute * MINUTE_MS
    if ('untilDry' in step)
      return action('wait-dry', { kind: 'heat-off' }, state.litAt! + plan.clock.heatOffAtMinute * MINUTE_MS)
    if ('untilWhistles' in step) {
      const left = step.untilWhistles - state.whistlesAt.length
      if (left <= 0) return state.whistlesAt[step.untilWhistles - 1] ?? at
      const waiting = state.whistlesAt.length === 0
      return action(waiting ? 'wait-first-whistle' : 'count', { kind: 'whistle' }, waiting ? pressureDue : null, left)
    }
    if ('untilPressure' in step)
      return state.atPressureAt ?? action('wait-pressure', { kind: 'at-pressure' }, pressureDue)
    if ('untilBoil' in step) return state.boilsAt ?? action('wait-boil', { kind: 'boils' })
    if ('minutesAtPressure' in step) {
      if (state.atPressureAt === null) return action('wait-pressure', { kind: 'at-pressure' }, pressureDue)
      return waitUntil('wait-at-pressure', state.atPressureAt + step.minutesAtPressure * MINUTE_MS)
    }
    if ('profile' in step) return waitUntil('wait-clock', at + step.profile.at(-1)!.minute * MINUTE_MS)
    if ('untilMinute' in step) return waitUntil('wait-clock', state.litAt! + step.untilMinute * MINUTE_MS)
    if (index === 0 || !('heatW' in step)) return waitUntil('wait-clock', at + step.minutes * MINUTE_MS)
    // Resting comes after the heat is off.
    if (step.heatW === 0) return at
    const turned = state.flameChanges.findLast((change) => change.at >= at)
    if (!turned) return action('turn-low', { kind: 'flame', flame: 'low' })
    return waitUntil('wait-low', turned.at + step.minutes * MINUTE_MS)
  }

  function waitUntil(id: NextAction['id'], endsAt: number): NextAction | number {
    return nowMs < endsAt ? action(id, null, endsAt) : endsAt
  }

  function whileReleasing(): NextAction {
    const heatOffAt = state.heatOffAt!
    const { release, clock } = plan
    const fallsAt = heatOffAt + (clock.openAtMinute - clock.heatOffAtMinute) * MINUTE_MS
    if (!release || release.kind === 'natural') return action('wait-fall', { kind: 'pressure-gone' }, fallsAt)
    const valveAt = heatOffAt + (release.afterMinutes ?? 0) * MINUTE_MS
    if (state.valveOpenedAt !== null) return action('wait-valve', { kind: 'pressure-gone' })
    if (nowMs < valveAt) return action('wait-fall', { kind: 'pressure-gone' }, valveAt)
    return action('open-valve', { kind: 'valve-opened' })
  }

  function whileResting(): NextAction {
    const restsUntil = state.heatOffAt! + (plan.clock.openAtMinute - plan.clock.heatOffAtMinute) * MINUTE_MS
    if (nowMs < restsUntil) return action('wait-rest', { kind: 'opened' }, restsUntil)
    return action('open', { kind: 'opened' })
  }
}
