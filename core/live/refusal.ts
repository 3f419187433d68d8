import { MINUTE_MS } from '../measure/time'
import type { RunEvent } from './event.schema'
import { hasLooked, isStage, lastCycle, runState, withoutUndone, type Cycle, type RunState } from './run'

/** Why an event cannot be. The sentence of each stands in the message files, under `runs`. */
export type RunRefusal =
  | 'not-lit'
  | 'already-lit'
  | 'heat-is-off'
  | 'heat-is-on'
  | 'heat-is-away'
  | 'heat-is-there'
  | 'pressure-not-gone'
  | 'sum-says-pressure'
  | 'look-again'
  | 'not-open'
  | 'no-such-whistle'
  | 'run-over'
  | 'nothing-to-undo'
  | 'too-cold'
  | 'too-early'
  | 'in-the-future'

/** What is left between two devices' clocks once their difference to the server's has been taken off. */
const CLOCK_SKEW_MS = 2 * MINUTE_MS

/** What a refusal looks at besides the events. */
export interface PotFacts {
  underPressure: boolean
  /** From when on the pressure may be gone by the sum, in ms since 1970; asked only when it matters. */
  opensFrom: () => number
  /**
   * From when on it can whistle, in ms since 1970. Only where the cook can be asked at once: what was seen elsewhere
   * is never dropped.
   */
  whistlesFrom?: () => number
}

/** True for an event of which the sum must be asked (`PotFacts.opensFrom`) before it is accepted. */
export function needsSum(events: readonly RunEvent[], { data }: RunEvent, underPressure: boolean): boolean {
  return data.kind === 'opened' && underPressure && runState(events).phase === 'safe'
}

/**
 * Whether an event may be added, and if not why. What was seen is placed by its time and taken whenever it
 * arrives, as long as the pot was on the heat then. A pot that holds pressure is never accepted as
 * opened before both the cook and the sum have said that the pressure is gone.
 */
export function refusalOf(
  events: readonly RunEvent[],
  event: RunEvent,
  pot: PotFacts,
  nowMs: number,
): RunRefusal | null {
  const state = runState(events)
  const { data, at } = event
  if (at > nowMs + CLOCK_SKEW_MS) return 'in-the-future'
  const known = (id: string) =>
    state.cycles.some(({ whistles }) => whistles.some((one) => one.id === id)) ? null : 'no-such-whistle'
  switch (data.kind) {
    case 'undo':
      return mayBeUndone(events, data.of) ? null : 'nothing-to-undo'
    case 'no-whistle':
    case 'whistle-stands':
      return state.phase === 'abandoned' ? 'run-over' : known(data.of)
    case 'none-missed':
      return state.phase === 'abandoned' ? 'run-over' : known(data.before)
    case 'whistle':
    case 'quiet':
    case 'at-pressure':
    case 'boils':
    case 'flame':
    case 'interrupted':
    case 'resumed':
      return refusalOfSeen(state, event) ?? refusalOfCold(event, pot)
    default:
      return refusalOfStage(state, event, pot)
  }
}

/** What was seen may be taken back at any time; what led to the next phase only while nothing came after it. */
function mayBeUndone(events: readonly RunEvent[], id: string): boolean {
  const holds = withoutUndone(events)
  const index = holds.findIndex((one) => one.id === id)
  if (index < 0) return false
  return !isStage(holds[index]!.data) || holds.slice(index + 1).every(({ data }) => !isStage(data))
}

function refusalOfSeen(state: RunState, { at, data }: RunEvent): RunRefusal | null {
  const cycle = state.cycles.findLast(({ litAt }) => litAt !== null && litAt <= at + CLOCK_SKEW_MS)
  if (!cycle)
    return state.cycles[0].litAt === null ? (state.phase === 'abandoned' ? 'run-over' : 'not-lit') : 'too-early'
  const isLast = cycle === lastCycle(state)
  if (state.phase === 'abandoned' && isLast && at > (state.lastAt ?? at)) return 'run-over'
  if (cycle.openedAt !== null && at > cycle.openedAt) return 'run-over'
  if (cycle.heatOffAt !== null && at > cycle.heatOffAt + CLOCK_SKEW_MS) return 'heat-is-off'
  if (!isLast) return null
  const isAway = cycle.interruptions.some((away) => away.at <= at && (away.until === null || at < away.until))
  if (data.kind === 'resumed') return isAway ? null : 'heat-is-there'
  const recalled = data.kind === 'whistle' && data.how === 'recalled'
  return isAway && !recalled ? 'heat-is-away' : null
}

function refusalOfCold({ at, data }: RunEvent, { whistlesFrom }: PotFacts): RunRefusal | null {
  const isSeen = data.kind === 'whistle' && data.how !== 'recalled'
  return isSeen && whistlesFrom && at < whistlesFrom() ? 'too-cold' : null
}

function refusalOfStage(state: RunState, { at, data }: RunEvent, pot: PotFacts): RunRefusal | null {
  const { phase } = state
  const cycle = lastCycle(state)
  if (data.kind === 'abandoned') return phase === 'abandoned' ? 'run-over' : null
  if (phase === 'abandoned') return 'run-over'
  const after = precedingAt(state, cycle, data.kind)
  if (after !== null && at < after - CLOCK_SKEW_MS) return 'too-early'
  if (phase === 'opened') return data.kind === 'goes-on' ? null : 'run-over'
  const isOn = phase === 'heating' || phase === 'interrupted'
  switch (data.kind) {
    case 'checked':
      return phase === 'ready' ? null : 'already-lit'
    case 'lit':
      return phase === 'ready' || at < cycle.litAt! ? null : 'already-lit'
    case 'heat-off':
      if (phase === 'ready') return 'not-lit'
      // Two devices may both have seen it: the first is the one that counts.
      return isOn || at < cycle.heatOffAt! ? null : 'heat-is-off'
    case 'valve-opened':
      // Lifting the weight is also how a cook makes sure that nothing is left.
      if (phase === 'ready') return 'not-lit'
      return isOn ? 'heat-is-on' : null
    case 'pressure-gone':
      if (phase === 'ready') return 'not-lit'
      if (isOn) return 'heat-is-on'
      // Seen too early it is looked at once more.
      return phase === 'releasing' || phase === 'safe' ? null : 'run-over'
    case 'opened':
      if (phase === 'ready') return 'not-lit'
      if (isOn) return pot.underPressure ? 'pressure-not-gone' : 'heat-is-on'
      if (!pot.underPressure) return null
      if (phase !== 'safe') return 'pressure-not-gone'
      if (at < pot.opensFrom()) return 'sum-says-pressure'
      return hasLooked(cycle, pot.opensFrom()) ? null : 'look-again'
    default:
      return 'not-open'
  }
}

/** When what must come before was; null where nothing must. */
function precedingAt({ cycles }: RunState, cycle: Cycle, kind: RunEvent['data']['kind']): number | null {
  switch (kind) {
    case 'checked':
    case 'lit':
      return cycles.at(-2)?.openedAt ?? null
    case 'heat-off':
      return cycle.litAt
    case 'valve-opened':
    case 'pressure-gone':
      return cycle.heatOffAt
    case 'opened':
      return cycle.pressureGoneAt ?? cycle.heatOffAt
    default:
      return cycle.openedAt
  }
}
