import type { FlameName } from '../pot/cookers'

/**
 * What can happen in a run. A run is nothing but the list of these, in the order in which they were
 * stored; everything shown of it is derived below, in the browser and on the server alike.
 */
export type RunEventData =
  | { kind: 'lit' }
  | { kind: 'whistle' }
  | { kind: 'at-pressure' }
  | { kind: 'boils' }
  | { kind: 'flame'; flame: FlameName }
  | { kind: 'heat-off' }
  | { kind: 'valve-opened' }
  | { kind: 'pressure-gone' }
  | { kind: 'opened' }
  | { kind: 'abandoned' }
  | { kind: 'undo'; of: string }

export interface RunEvent {
  /** Made by the device that saw it happen; the same event sent twice counts once. */
  id: string
  /** Milliseconds since 1970, UTC. */
  at: number
  data: RunEventData
}

/** Where a run is: before the flame, on it, waiting for the pressure, free to open, over. */
export type RunPhase = 'ready' | 'heating' | 'releasing' | 'safe' | 'opened' | 'abandoned'

export interface RunState {
  phase: RunPhase
  litAt: number | null
  whistlesAt: number[]
  atPressureAt: number | null
  boilsAt: number | null
  flameChanges: { at: number; flame: FlameName }[]
  heatOffAt: number | null
  valveOpenedAt: number | null
  pressureGoneAt: number | null
  openedAt: number | null
  /** The event that an undo would take back. */
  lastEventId: string | null
  lastAt: number | null
}

const FRESH: RunState = {
  phase: 'ready',
  litAt: null,
  whistlesAt: [],
  atPressureAt: null,
  boilsAt: null,
  flameChanges: [],
  heatOffAt: null,
  valveOpenedAt: null,
  pressureGoneAt: null,
  openedAt: null,
  lastEventId: null,
  lastAt: null,
}

/** The state of a run after its events, those that were undone left out. */
export function runState(events: readonly RunEvent[]): RunState {
  const undone = new Set(events.flatMap(({ data }) => (data.kind === 'undo' ? [data.of] : [])))
  return events.filter(({ id, data }) => data.kind !== 'undo' && !undone.has(id)).reduce(apply, FRESH)
}

function apply(state: RunState, { id, at, data }: RunEvent): RunState {
  const next = { ...state, lastEventId: id, lastAt: at }
  switch (data.kind) {
    case 'lit':
      return { ...next, phase: 'heating', litAt: at }
    case 'whistle':
      return { ...next, whistlesAt: [...state.whistlesAt, at] }
    case 'at-pressure':
      return { ...next, atPressureAt: at }
    case 'boils':
      return { ...next, boilsAt: at }
    case 'flame':
      return { ...next, flameChanges: [...state.flameChanges, { at, flame: data.flame }] }
    case 'heat-off':
      return { ...next, phase: 'releasing', heatOffAt: at }
    case 'valve-opened':
      return { ...next, valveOpenedAt: at }
    case 'pressure-gone':
      return { ...next, phase: 'safe', pressureGoneAt: at }
    case 'opened':
      return { ...next, phase: 'opened', openedAt: at }
    case 'abandoned':
      return { ...next, phase: 'abandoned' }
    case 'undo':
      return state
  }
}

/** Why an event cannot follow. The sentences stand here once and are merged into the messages under `runs`. */
export const RUN_REFUSALS = {
  'not-lit': 'The pot has not been lit yet. Light it first.',
  'already-lit': 'The pot is already lit.',
  'heat-is-off': 'The heat is off already.',
  'heat-is-on': 'The heat is still on. Turn it off first.',
  'pressure-not-gone': 'The pressure is not gone yet. Wait until the indicator is down, then say so.',
  'run-over': 'This run is over. Start a new one.',
  'nothing-to-undo': 'Only the last thing that happened can be undone.',
  'too-early': 'That is earlier than what has been written down already. Check the clock of this device.',
  'in-the-future': 'That lies in the future. Check the clock of this device.',
} as const
export type RunRefusal = keyof typeof RUN_REFUSALS

/** Clocks of two devices in one kitchen may differ by this much. */
const CLOCK_SKEW_MS = 2 * 60_000

/**
 * Whether an event may come next, and if not why. A pot that holds pressure is never accepted as
 * opened before the pressure has been said to be gone.
 */
export function refusalOf(
  events: readonly RunEvent[],
  event: RunEvent,
  pot: { underPressure: boolean },
  nowMs: number,
): RunRefusal | null {
  const state = runState(events)
  const { data, at } = event
  if (at > nowMs + CLOCK_SKEW_MS) return 'in-the-future'
  if (data.kind === 'undo') return data.of === state.lastEventId ? null : 'nothing-to-undo'
  if (state.lastAt !== null && at < state.lastAt - CLOCK_SKEW_MS) return 'too-early'
  if (state.phase === 'opened' || state.phase === 'abandoned') return 'run-over'
  switch (data.kind) {
    case 'abandoned':
      return null
    case 'lit':
      return state.phase === 'ready' ? null : 'already-lit'
    case 'whistle':
    case 'at-pressure':
    case 'boils':
    case 'flame':
    case 'heat-off':
      if (state.phase === 'ready') return 'not-lit'
      return state.phase === 'heating' ? null : 'heat-is-off'
    case 'valve-opened':
    case 'pressure-gone':
      if (state.phase === 'ready') return 'not-lit'
      if (state.phase === 'heating') return 'heat-is-on'
      return state.phase === 'releasing' ? null : 'run-over'
    case 'opened':
      if (state.phase === 'ready') return 'not-lit'
      if (state.phase === 'safe') return null
      if (pot.underPressure) return 'pressure-not-gone'
      return state.phase === 'heating' ? 'heat-is-on' : null
  }
}
