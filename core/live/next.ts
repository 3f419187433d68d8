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
    | 'wait-pressure'
    | 'wait-at-pressure'
    | 'turn-off'
    | 'let-finish'
    | 'wait-fall'
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

/** The one next action of a run, from its plan, what has happened, and the time. */
export function nextAction(plan: PlanAnswer, state: RunState, nowMs: number): NextAction {
  const action = (
    id: NextAction['id'],
    event: RunEventData | null,
    dueAt: number | null = null,
    whistlesLeft = 0,
  ): NextAction => ({ id, event, dueAt, whistlesLeft })

  switch (state.phase) {
    case 'ready':
      return action(plan.simulation.appliance.kind === 'electric' ? 'start-electric' : 'light', { kind: 'lit' })
    case 'heating':
      return whileHeating()
    case 'releasing':
      return whileReleasing()
    case 'safe':
      return action('open', { kind: 'opened' })
    case 'opened':
      return action('judge', null)
    case 'abandoned':
      return action('abandoned', null)
  }

  function whileHeating(): NextAction {
    const litAt = state.litAt!
    const { steps } = plan.program
    const first = steps[0]!
    const pressureDue = plan.clock.pressureAtMinute === null ? null : litAt + plan.clock.pressureAtMinute * MINUTE_MS
    if ('minutesAtPressure' in first) {
      const endsAt = (state.atPressureAt ?? pressureDue ?? litAt) + first.minutesAtPressure * MINUTE_MS
      if (state.atPressureAt === null) return action('wait-pressure', { kind: 'at-pressure' }, pressureDue)
      if (nowMs < endsAt) return action('wait-at-pressure', null, endsAt)
      return action('let-finish', { kind: 'heat-off' }, endsAt)
    }
    const wanted = 'untilWhistles' in first ? first.untilWhistles : 0
    const left = wanted - state.whistlesAt.length
    if (left > 0) {
      const waiting = state.whistlesAt.length === 0
      return action(waiting ? 'wait-first-whistle' : 'count', { kind: 'whistle' }, waiting ? pressureDue : null, left)
    }
    const then = steps[1]
    if (then && 'minutes' in then) {
      const turned = state.flameChanges.at(-1)
      if (!turned) return action('turn-low', { kind: 'flame', flame: 'low' })
      const endsAt = turned.at + then.minutes * MINUTE_MS
      if (nowMs < endsAt) return action('wait-low', null, endsAt)
    }
    return action('turn-off', { kind: 'heat-off' })
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
}
