import { heatsItself, holdsPressure, kindOf } from '../appliance/appliance'
import type { Step } from '../appliance/step.schema'
import { withFigure } from '../appliance/steps'
import { MINUTE_MS } from '../measure/time'
import { FLAMES, type FlameName } from '../names'
import { applianceOf, type PlanAnswer } from '../program/answer'
import type { RunEventData } from './event.schema'
import type { Following } from './follow'
import { mayBoilDry } from '../safety/rules'
import type { Overdue } from './overdue'
import { awaitsFoods, hasLooked, lastCycle } from './run'
import { isTurnedUpAgain, lastStepSince } from './steps'

/** What the cook does next, and the event that says it was done. */
export interface NextAction {
  id:
    | 'check'
    | 'close-again'
    | 'light'
    | 'start-electric'
    | 'wait-first-whistle'
    | 'count'
    | 'overdue'
    | 'overdue-dry'
    | 'silent'
    | 'enough'
    | 'lower-flame'
    | 'off-and-look'
    | 'whistle-again'
    | 'turn-down'
    | 'wait-low'
    | 'wait-boil'
    | 'wait-clock'
    | 'wait-dry'
    | 'wait-pressure'
    | 'wait-at-pressure'
    | 'turn-off'
    | 'let-finish'
    | 'interrupted'
    | 'wait-fall'
    | 'wait-rest'
    | 'open-valve'
    | 'wait-valve'
    | 'wait-sum'
    | 'look-again'
    | 'open'
    | 'put-in'
    | 'judge'
    | 'abandoned'
  /** The event that the main button stands for; null when there is nothing to say. */
  event: RunEventData | null
  /** When the waiting is due to end, in ms since 1970; null when only the pot knows. */
  dueAt: number | null
  /** Whistles still to come. */
  whistlesLeft: number
}

/** So long after the last whistle was due it is taken to have slipped by. */
const LATE_MS = 30_000

/** True for pots that switch themselves off; the others have a flame that the cook turns. */
export function runsByItself(plan: PlanAnswer): boolean {
  return heatsItself(applianceOf(plan))
}

/** The one next action of a run as it now stands. */
export function nextAction(plan: PlanAnswer, following: Following, nowMs: number): NextAction {
  const { state, course, advice, outlook } = following
  const itself = runsByItself(plan)
  const pressurised = holdsPressure(applianceOf(plan))
  const cycle = lastCycle(state)
  switch (state.phase) {
    case 'ready':
      if (pressurised && state.checkedAt === null)
        return action(cycle.more ? 'close-again' : 'check', { kind: 'checked' })
      return action(itself ? 'start-electric' : 'light', { kind: 'lit' })
    case 'heating':
      return whileHeating()
    case 'interrupted':
      return action('interrupted', { kind: 'resumed' })
    case 'releasing':
      return pressurised ? whileReleasing() : whileResting()
    case 'safe':
      // The cook says that the pressure is gone; the sum has to agree.
      if (nowMs < outlook!.opensFrom)
        return action('wait-sum', cycle.valveOpenedAt === null ? { kind: 'valve-opened' } : null, outlook!.opensFrom)
      return hasLooked(cycle, outlook!.opensFrom)
        ? action('open', { kind: 'opened' })
        : action('look-again', { kind: 'pressure-gone' })
    case 'opened':
      return action(awaitsFoods(plan, state) ? 'put-in' : 'judge', null)
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
    if (outlook?.overdue) return whileOverdue(outlook.overdue)
    let at = cycle.litAt!
    const { program } = course
    if (advice?.lowerFlame) return action('lower-flame', { kind: 'flame', flame: advice.lowerFlame })
    for (const [i, step] of program.entries()) {
      const isLast = i === program.length - 1
      const pending = stepAction(isLast && advice ? withFigure(step, advice.figure) : step, isLast, at)
      if (typeof pending !== 'number') return pending
      at = pending
    }
    if (itself) return action('let-finish', { kind: 'heat-off' }, at)
    if (isTurnedUpAgain(course, cycle)) {
      if (!hasWhistledSince()) return countOne()
    } else if (following.whistleAgain) return action('whistle-again', { kind: 'flame', flame: 'high' })
    return action(advice?.isShort ? 'off-and-look' : 'turn-off', { kind: 'heat-off' })
  }

  /** Nothing has come of it: first it is looked at, then, before the water can be gone, turned off. */
  function whileOverdue(overdue: Overdue): NextAction {
    if (mayBoilDry(overdue)) return action('overdue-dry', { kind: 'heat-off' })
    if (overdue.after === 'whistle')
      return outlook!.hasEnough
        ? action('enough', { kind: 'heat-off' })
        : action('silent', { kind: 'whistle' }, null, whistlesLeft())
    const tells = kindOf(applianceOf(plan)).tells === 'whistles' ? ('whistle' as const) : ('at-pressure' as const)
    return action('overdue', { kind: tells })
  }

  /** The action of a step that is still going on, or the time at which it ended. */
  function stepAction(step: Step, isLast: boolean, at: number): NextAction | number {
    const { minutesToPressure } = outlook!.curve
    const pressureDue = minutesToPressure === null ? null : cycle.litAt! + minutesToPressure * MINUTE_MS
    switch (step.kind) {
      case 'dry':
        return action('wait-dry', { kind: 'heat-off' }, outlook!.heatOffAt)
      case 'whistles':
        return whistleAction(step.untilWhistles, isLast, at, pressureDue)
      case 'pressure':
        return cycle.atPressureAt ?? action('wait-pressure', { kind: 'at-pressure' }, pressureDue)
      case 'boil':
        return cycle.boilsAt ?? action('wait-boil', { kind: 'boils' })
      case 'at-pressure':
        if (cycle.atPressureAt === null) return action('wait-pressure', { kind: 'at-pressure' }, pressureDue)
        return waitUntil('wait-at-pressure', cycle.atPressureAt + step.minutesAtPressure * MINUTE_MS)
      case 'profile':
        return waitUntil('wait-clock', at + step.profile.at(-1)!.minute * MINUTE_MS)
      case 'clock':
        return waitUntil('wait-clock', cycle.litAt! + step.untilMinute * MINUTE_MS)
      default:
        return minutesAction(step, at)
    }
  }

  function whistlesLeft(): number {
    const figure = advice?.figure ?? 0
    return Math.max(0, figure - outlook!.whistlesSoFar)
  }

  /** True if it whistled since its flame was turned last. */
  function hasWhistledSince(): boolean {
    return (cycle.whistles.at(-1)?.at ?? 0) > cycle.flameChanges.at(-1)!.at
  }
  function countOne(): NextAction {
    return action('count', { kind: 'whistle' }, outlook!.nextWhistleAt, 1)
  }
  function turnDown(left = 0): NextAction {
    return action('turn-down', { kind: 'flame', flame: countedFlame() }, null, left)
  }

  /** The flame on which the figure is counted. */
  function countedFlame(): FlameName {
    const { burner } = course.closing.pot
    const step = course.program.at(-1)!
    return FLAMES.find((flame) => 'heatW' in step && burner[flame] === step.heatW) ?? 'low'
  }

  function whistleAction(until: number, isLast: boolean, at: number, firstDue: number | null): NextAction | number {
    const left = until - outlook!.whistlesSoFar
    if (left <= 0) return cycle.whistles.at(-1)?.at ?? at
    const waiting = cycle.whistles.length === 0
    const toTurn = isLast && course.program.length > 1 && cycle.flameChanges.length === 0
    if (toTurn) return turnDown(left)
    // The last one may have slipped by: the clock tells as well.
    if (isLast && !waiting && nowMs >= outlook!.heatOffAt + LATE_MS) return outlook!.heatOffAt
    const dueAt = waiting ? firstDue : outlook!.nextWhistleAt
    // Before the flame is turned down the count is already to what is counted on it.
    const inAll = course.program.at(-1)!.kind === 'whistles' ? whistlesLeft() : left
    return action(waiting ? 'wait-first-whistle' : 'count', { kind: 'whistle' }, dueAt, Math.max(left, inAll))
  }

  function minutesAction(step: Step & { minutes: number }, at: number): NextAction | number {
    if (course.program.length === 1 || step.kind !== 'minutes')
      return waitUntil('wait-clock', at + step.minutes * MINUTE_MS)
    // Resting comes after the heat is off.
    if (step.heatW === 0) return at
    const turned = lastStepSince(course, cycle)
    if (turned === null) return turnDown()
    const endsAt = turned + step.minutes * MINUTE_MS
    // Turned up to whistle once more, it must not be left there.
    if (nowMs < endsAt && isTurnedUpAgain(course, cycle)) return hasWhistledSince() ? turnDown() : countOne()
    return waitUntil('wait-low', endsAt)
  }

  function waitUntil(id: NextAction['id'], endsAt: number): NextAction | number {
    return nowMs < endsAt ? action(id, null, endsAt) : endsAt
  }

  function whileReleasing(): NextAction {
    const { release } = plan
    const fallsAt = outlook!.opensAt.value
    if (cycle.valveOpenedAt !== null) return action('wait-valve', { kind: 'pressure-gone' }, fallsAt)
    if (!release || release.kind === 'natural') return action('wait-fall', { kind: 'pressure-gone' }, fallsAt)
    const valveAt = outlook!.heatOffAt + (release.afterMinutes ?? 0) * MINUTE_MS
    if (nowMs < valveAt) return action('wait-fall', { kind: 'pressure-gone' }, valveAt)
    return action('open-valve', { kind: 'valve-opened' })
  }

  function whileResting(): NextAction {
    const { openAtMinute, heatOffAtMinute } = plan.closings[0]!.clock
    const restsUntil = cycle.heatOffAt! + (openAtMinute - heatOffAtMinute) * MINUTE_MS
    if (nowMs < restsUntil) return action('wait-rest', { kind: 'opened' }, restsUntil)
    return action('open', { kind: 'opened' })
  }
}
