import type { FlameName, Interruption, Pinch } from '../names'
import type { PlanAnswer } from '../program/answer'
import type { RunEvent, RunEventData } from './event.schema'

/** Where a run is: before the flame, on it, the heat away, waiting for the pressure, free to open, over. */
export type RunPhase = 'ready' | 'heating' | 'interrupted' | 'releasing' | 'safe' | 'opened' | 'abandoned'

/** From one closing of the lid to the next opening. Times in ms since 1970. */
export interface Leg {
  /** The program of a pot that was closed again: not done, or opened for more foods; null the first time. */
  more: { figure: number; addWaterG: number; pinch: (Pinch | null)[]; joins: boolean } | null
  litAt: number | null
  /** In the order in which they happened. */
  whistles: { id: string; at: number }[]
  atPressureAt: number | null
  boilsAt: number | null
  flameChanges: { at: number; flame: FlameName }[]
  /** When it was last said that no whistle had slipped by since the one before; null where nothing was said. */
  quietAt: number | null
  interruptions: { at: number; why: Interruption; until: number | null }[]
  heatOffAt: number | null
  valveOpenedAt: number | null
  pressureGoneAt: number | null
  openedAt: number | null
}

/** What is known of a run. */
export interface RunState {
  phase: RunPhase
  checkedAt: number | null
  /** One for each closing of the lid; the last is the one that goes on. */
  legs: [...earlier: Leg[], last: Leg]
  /** Events of whistles that the cook has vouched for, and before which none was missed. */
  standing: string[]
  noneMissedBefore: string[]
  /** The event that an undo would take back: the last that was written down. */
  lastEventId: string | null
  /** The latest moment of which something is known. */
  lastAt: number | null
}

const FRESH_LEG: Leg = {
  more: null,
  litAt: null,
  whistles: [],
  atPressureAt: null,
  boilsAt: null,
  flameChanges: [],
  quietAt: null,
  interruptions: [],
  heatOffAt: null,
  valveOpenedAt: null,
  pressureGoneAt: null,
  openedAt: null,
}
const FRESH: RunState = {
  phase: 'ready',
  checkedAt: null,
  legs: [FRESH_LEG],
  standing: [],
  noneMissedBefore: [],
  lastEventId: null,
  lastAt: null,
}

/** Events that lead from one phase to the next; they keep the order in which they were written down. */
const STAGES: readonly RunEventData['kind'][] = [
  'checked',
  'lit',
  'heat-off',
  'valve-opened',
  'pressure-gone',
  'opened',
  'goes-on',
  'abandoned',
]
export const isStage = ({ kind }: RunEventData) => STAGES.includes(kind)

/** The events that still hold, without those that were taken back. */
export function withoutUndone(events: readonly RunEvent[]): RunEvent[] {
  const undone = new Set(events.flatMap(({ data }) => (data.kind === 'undo' ? [data.of] : [])))
  return events.filter(({ id, data }) => data.kind !== 'undo' && !undone.has(id))
}

/**
 * The events that hold, in the order in which they happened: what was seen is placed by its time, whenever it was
 * written down. Of what leads from phase to phase a later one is never placed before an earlier, unless it says
 * that the same came sooner.
 */
export function inOrder(events: readonly RunEvent[]): RunEvent[] {
  let stageAt = -Infinity
  const seen = new Set<string>()
  const placed = withoutUndone(events).map((event) => {
    const { at, data } = event
    if (!isStage(data)) return { event, at }
    if (data.kind === 'goes-on') seen.clear()
    const again = seen.has(data.kind)
    seen.add(data.kind)
    if (!again) stageAt = Math.max(stageAt, at)
    return { event, at: again ? at : stageAt }
  })
  return placed.sort((a, b) => a.at - b.at).map(({ event }) => event)
}

/** The state of a run after its events, those that were undone left out. */
export function runState(events: readonly RunEvent[]): RunState {
  const state = inOrder(events).reduce(apply, FRESH)
  const holds = withoutUndone(events)
  return {
    ...state,
    lastEventId: holds.at(-1)?.id ?? null,
    lastAt: holds.length > 0 ? Math.max(...holds.map(({ at }) => at)) : null,
  }
}

/** The leg that goes on, or was the last. */
export function lastLeg({ legs }: RunState): Leg {
  return legs.at(-1)!
}

/** What two devices' sums of the same pot may differ by. */
const SUMS_DIFFER_MS = 30_000

/** True if the cook has looked since the pressure may be gone by the sum: what was said before may have been hope. */
export function hasLooked({ pressureGoneAt }: Leg, opensFromMs: number): boolean {
  return pressureGoneAt !== null && pressureGoneAt >= opensFromMs - SUMS_DIFFER_MS
}

/** Since when steam has had a way out of this leg, in ms since 1970: the valve, or a weight that came off and stayed off; null while it has none. */
export function ventedSince({ valveOpenedAt, interruptions, heatOffAt }: Leg): number | null {
  const last = interruptions.at(-1)
  const isOff = last?.why === 'weight' && (last.until === null || last.until === heatOffAt)
  return isOff ? Math.min(last.at, valveOpenedAt ?? Infinity) : valveOpenedAt
}

function apply(state: RunState, { id, at, data }: RunEvent): RunState {
  const leg = lastLeg(state)
  const withLeg = (change: Partial<Leg>, phase = state.phase): RunState => ({
    ...state,
    phase,
    legs: [...state.legs.slice(0, -1), { ...leg, ...change }] as RunState['legs'],
  })
  // What was seen before the first flame, or while the lid was off, belongs to no leg.
  const isLit = leg.litAt !== null && leg.openedAt === null
  switch (data.kind) {
    case 'checked':
      return { ...state, checkedAt: at }
    case 'lit':
      return leg.litAt === null ? withLeg({ litAt: at }, 'heating') : state
    case 'whistle':
      return isLit ? withLeg({ whistles: [...leg.whistles, { id, at }] }) : state
    case 'no-whistle':
      return withoutWhistle(state, data.of)
    case 'whistle-stands':
      return { ...state, standing: [...state.standing, data.of] }
    case 'none-missed':
      return { ...state, noneMissedBefore: [...state.noneMissedBefore, data.before] }
    case 'quiet':
      return isLit ? withLeg({ quietAt: Math.max(leg.quietAt ?? at, at) }) : state
    case 'at-pressure':
      return isLit && leg.atPressureAt === null ? withLeg({ atPressureAt: at }) : state
    case 'boils':
      return isLit && leg.boilsAt === null ? withLeg({ boilsAt: at }) : state
    case 'flame':
      return isLit ? withLeg({ flameChanges: [...leg.flameChanges, { at, flame: data.flame }] }) : state
    case 'interrupted':
      if (state.phase !== 'heating') return state
      return withLeg({ interruptions: [...leg.interruptions, { at, why: data.why, until: null }] }, 'interrupted')
    case 'resumed':
      return state.phase === 'interrupted'
        ? withLeg({ interruptions: endedAt(leg.interruptions, at) }, 'heating')
        : state
    case 'heat-off':
      if (leg.litAt === null || leg.heatOffAt !== null) return state
      return withLeg({ heatOffAt: at, interruptions: endedAt(leg.interruptions, at) }, 'releasing')
    case 'valve-opened':
      return leg.valveOpenedAt === null ? withLeg({ valveOpenedAt: at }) : state
    case 'pressure-gone':
      // The newest look is the one that counts; by another clock it may lie after the opening, and changes nothing.
      if (state.phase !== 'releasing' && state.phase !== 'safe') return state
      return withLeg({ pressureGoneAt: Math.max(leg.pressureGoneAt ?? at, at) }, 'safe')
    case 'opened':
      return leg.openedAt === null ? withLeg({ openedAt: at }, 'opened') : state
    case 'goes-on': {
      const { figure, addWaterG, pinch, joins = false } = data
      const next: Leg = { ...FRESH_LEG, more: { figure, addWaterG, pinch, joins } }
      return { ...state, phase: 'ready', checkedAt: null, legs: [...state.legs, next] as RunState['legs'] }
    }
    case 'abandoned':
      return { ...state, phase: 'abandoned' }
    case 'undo':
      return state
  }
}

function withoutWhistle(state: RunState, id: string): RunState {
  const legs = state.legs.map((leg) => ({ ...leg, whistles: leg.whistles.filter((whistle) => whistle.id !== id) }))
  return { ...state, legs: legs as RunState['legs'] }
}

function endedAt(interruptions: Leg['interruptions'], at: number): Leg['interruptions'] {
  return interruptions.map((one) => (one.until === null ? { ...one, until: at } : one))
}

/** When the run was first lit, in ms since 1970; null before. */
export function firstLitAt({ legs }: RunState): number | null {
  return legs[0]!.litAt
}

/** Which of the plan's closings of the lid it is at: 0 from the start, and one more each time foods have joined. */
export function closingOfRun({ legs }: RunState): number {
  return legs.filter(({ more }) => more?.joins).length
}

/** True if the pot stands open and more foods are to go in. */
export function awaitsFoods({ closings }: Pick<PlanAnswer, 'closings'>, state: RunState): boolean {
  return state.phase === 'opened' && closingOfRun(state) < closings.length - 1
}

/** True while somebody has to look after the pot. */
export function isRunning(answer: Pick<PlanAnswer, 'closings'>, state: RunState): boolean {
  const { phase, legs } = state
  if (phase === 'ready') return legs.length > 1
  return ['heating', 'interrupted', 'releasing', 'safe'].includes(phase) || awaitsFoods(answer, state)
}
