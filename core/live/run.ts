import type { FlameName } from '../pot/cookers'
import type { PlanAnswer } from '../program/answer'
import type { Pinch } from '../program/remedy'

/** Why the heat was away for a while: no gas, no power, or the weight was off and the steam went. */
export type Interruption = 'gas' | 'power' | 'weight'

/**
 * What can happen in a run. A run is nothing but the list of these, in the order in which they were
 * stored; everything shown of it is derived below, in the browser and on the server alike.
 */
export type RunEventData =
  /** Gasket, vent, water and seal were looked at before closing. */
  | { kind: 'checked' }
  | { kind: 'lit' }
  /** Counted by hand if `how` is left out; `recalled` ones happened before they were written down. */
  | { kind: 'whistle'; how?: 'ear' | 'recalled' }
  /** The whistle of that event was none. */
  | { kind: 'no-whistle'; of: string }
  /** The whistle of that event, which was asked about, was one. */
  | { kind: 'whistle-stands'; of: string }
  /** None slipped by before the whistle of that event, which was asked about. */
  | { kind: 'none-missed'; before: string }
  | { kind: 'at-pressure' }
  | { kind: 'boils' }
  | { kind: 'flame'; flame: FlameName }
  | { kind: 'interrupted'; why: Interruption }
  | { kind: 'resumed' }
  | { kind: 'heat-off' }
  | { kind: 'valve-opened' }
  | { kind: 'pressure-gone' }
  | { kind: 'opened' }
  /**
   * Closed again with so much boiling water, for so many whistles or minutes more: pinched and not done, or
   * the foods that go in later are in now.
   */
  | { kind: 'goes-on'; figure: number; addWaterG: number; pinch: (Pinch | null)[]; joins?: true }
  | { kind: 'abandoned' }
  | { kind: 'undo'; of: string }

export interface RunEvent {
  /** Made by the device that saw it happen; the same event sent twice counts once. */
  id: string
  /** Milliseconds since 1970, UTC. */
  at: number
  data: RunEventData
}

/** Where a run is: before the flame, on it, the heat away, waiting for the pressure, free to open, over. */
export type RunPhase = 'ready' | 'heating' | 'interrupted' | 'releasing' | 'safe' | 'opened' | 'abandoned'

/** From one closing of the lid to the next opening. Times in ms since 1970. */
export interface Leg {
  /** The extra program of a pot that was not done, or that was opened for more foods; null the first time. */
  more: { figure: number; addWaterG: number; pinch: (Pinch | null)[]; joins: boolean } | null
  litAt: number | null
  /** In the order in which they happened. */
  whistles: { id: string; at: number }[]
  atPressureAt: number | null
  boilsAt: number | null
  flameChanges: { at: number; flame: FlameName }[]
  interruptions: { at: number; why: Interruption; until: number | null }[]
  heatOffAt: number | null
  valveOpenedAt: number | null
  pressureGoneAt: number | null
  openedAt: number | null
}

/** The leg that goes on, and what is known of the whole run. */
export interface RunState extends Leg {
  phase: RunPhase
  checkedAt: number | null
  earlier: Leg[]
  /** Events of whistles that the cook has vouched for, and before which none was missed. */
  standing: string[]
  noneMissedBefore: string[]
  /** The event that an undo would take back. */
  lastEventId: string | null
  lastAt: number | null
}

const FRESH_LEG: Leg = {
  more: null,
  litAt: null,
  whistles: [],
  atPressureAt: null,
  boilsAt: null,
  flameChanges: [],
  interruptions: [],
  heatOffAt: null,
  valveOpenedAt: null,
  pressureGoneAt: null,
  openedAt: null,
}
const FRESH: RunState = {
  ...FRESH_LEG,
  phase: 'ready',
  checkedAt: null,
  earlier: [],
  standing: [],
  noneMissedBefore: [],
  lastEventId: null,
  lastAt: null,
}

/** The state of a run after its events, those that were undone left out. */
export function runState(events: readonly RunEvent[]): RunState {
  const undone = new Set(events.flatMap(({ data }) => (data.kind === 'undo' ? [data.of] : [])))
  return events.filter(({ id, data }) => data.kind !== 'undo' && !undone.has(id)).reduce(apply, FRESH)
}

function apply(state: RunState, { id, at, data }: RunEvent): RunState {
  const recalled = data.kind === 'whistle' && data.how === 'recalled'
  const next = { ...state, lastEventId: id, lastAt: recalled ? state.lastAt : at }
  switch (data.kind) {
    case 'checked':
      return { ...next, checkedAt: at }
    case 'lit':
      return { ...next, phase: 'heating', litAt: at }
    case 'whistle':
      return { ...next, whistles: [...state.whistles, { id, at }].sort((a, b) => a.at - b.at) }
    case 'no-whistle':
      return { ...next, whistles: state.whistles.filter((whistle) => whistle.id !== data.of) }
    case 'whistle-stands':
      return { ...next, standing: [...state.standing, data.of] }
    case 'none-missed':
      return { ...next, noneMissedBefore: [...state.noneMissedBefore, data.before] }
    case 'at-pressure':
      return { ...next, atPressureAt: at }
    case 'boils':
      return { ...next, boilsAt: at }
    case 'flame':
      return { ...next, flameChanges: [...state.flameChanges, { at, flame: data.flame }] }
    case 'interrupted':
      return {
        ...next,
        phase: 'interrupted',
        interruptions: [...state.interruptions, { at, why: data.why, until: null }],
      }
    case 'resumed':
      // The pressure has to come again, and a device counts its minutes anew.
      return { ...next, phase: 'heating', atPressureAt: null, interruptions: endedAt(state.interruptions, at) }
    case 'heat-off':
      return { ...next, phase: 'releasing', heatOffAt: at, interruptions: endedAt(state.interruptions, at) }
    case 'valve-opened':
      return { ...next, valveOpenedAt: at }
    case 'pressure-gone':
      return { ...next, phase: 'safe', pressureGoneAt: at }
    case 'opened':
      return { ...next, phase: 'opened', openedAt: at }
    case 'goes-on': {
      const { figure, addWaterG, pinch, joins = false } = data
      const more = { figure, addWaterG, pinch, joins }
      return { ...next, ...FRESH_LEG, more, phase: 'ready', checkedAt: null, earlier: [...state.earlier, legOf(state)] }
    }
    case 'abandoned':
      return { ...next, phase: 'abandoned' }
    case 'undo':
      return state
  }
}

function endedAt(interruptions: Leg['interruptions'], at: number): Leg['interruptions'] {
  return interruptions.map((one) => (one.until === null ? { ...one, until: at } : one))
}

function legOf(state: RunState): Leg {
  return Object.fromEntries((Object.keys(FRESH_LEG) as (keyof Leg)[]).map((key) => [key, state[key]])) as unknown as Leg
}

/** When the run was first lit, in ms since 1970; null before. */
export function firstLitAt(state: RunState): number | null {
  return state.earlier[0]?.litAt ?? state.litAt
}

/** Which of the plan's closings of the lid it is at: 0 from the start, and one more each time foods have joined. */
export function closingOf(state: RunState): number {
  return [...state.earlier, state].filter(({ more }) => more?.joins).length
}

/** True if the pot stands open and more foods are to go in. */
export function awaitsFoods({ later = [] }: Pick<PlanAnswer, 'later'>, state: RunState): boolean {
  return state.phase === 'opened' && closingOf(state) < later.length
}

/** True while somebody has to look after the pot. */
export function isRunning(answer: Pick<PlanAnswer, 'later'>, state: RunState): boolean {
  const { phase, earlier } = state
  if (phase === 'ready') return earlier.length > 0
  return ['heating', 'interrupted', 'releasing', 'safe'].includes(phase) || awaitsFoods(answer, state)
}
