import type { FlameName, Interruption, Pinch } from '../names'
import type { PlanAnswer } from '../program/answer'
import type { RunEvent, RunEventData } from './event.schema'

/** Where a run is: before the flame, on it, the heat away, waiting for the pressure, free to open, over. */
export type RunPhase = 'ready' | 'heating' | 'interrupted' | 'releasing' | 'safe' | 'opened' | 'abandoned'

/** From one closing of the lid to the next opening. Times in ms since 1970. */
export interface Cycle {
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
  cycles: [...earlier: Cycle[], last: Cycle]
  /** Events of whistles that the cook has vouched for, and before which none was missed. */
  standing: string[]
  noneMissedBefore: string[]
  /** The event that an undo would take back: the last that was written down. */
  lastEventId: string | null
  /** The latest moment of which something is known. */
  lastAt: number | null
}

const FRESH_CYCLE: Cycle = {
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
  cycles: [FRESH_CYCLE],
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

/** The cycle that goes on, or was the last. */
export function lastCycle({ cycles }: RunState): Cycle {
  return cycles.at(-1)!
}

/** What two devices' sums of the same pot may differ by. */
const SUMS_DIFFER_MS = 30_000

/** True if the cook has looked since the pressure may be gone by the sum: what was said before may have been hope. */
export function hasLooked({ pressureGoneAt }: Cycle, opensFromMs: number): boolean {
  return pressureGoneAt !== null && pressureGoneAt >= opensFromMs - SUMS_DIFFER_MS
}

/** Since when steam has had a way out of this cycle, in ms since 1970: the valve, or a weight that came off and stayed off; null while it has none. */
export function ventedSince({ valveOpenedAt, interruptions, heatOffAt }: Cycle): number | null {
  const last = interruptions.at(-1)
  const isOff = last?.why === 'weight' && (last.until === null || last.until === heatOffAt)
  return isOff ? Math.min(last.at, valveOpenedAt ?? Infinity) : valveOpenedAt
}

function apply(state: RunState, { id, at, data }: RunEvent): RunState {
  const cycle = lastCycle(state)
  const withCycle = (change: Partial<Cycle>, phase = state.phase): RunState => ({
    ...state,
    phase,
    cycles: [...state.cycles.slice(0, -1), { ...cycle, ...change }] as RunState['cycles'],
  })
  // What was seen before the first flame, or while the lid was off, belongs to no cycle.
  const isLit = cycle.litAt !== null && cycle.openedAt === null
  switch (data.kind) {
    case 'checked':
      return { ...state, checkedAt: at }
    case 'lit':
      return cycle.litAt === null ? withCycle({ litAt: at }, 'heating') : state
    case 'whistle':
      return isLit ? withCycle({ whistles: [...cycle.whistles, { id, at }] }) : state
    case 'no-whistle':
      return withoutWhistle(state, data.of)
    case 'whistle-stands':
      return { ...state, standing: [...state.standing, data.of] }
    case 'none-missed':
      return { ...state, noneMissedBefore: [...state.noneMissedBefore, data.before] }
    case 'quiet':
      return isLit ? withCycle({ quietAt: Math.max(cycle.quietAt ?? at, at) }) : state
    case 'at-pressure':
      return isLit && cycle.atPressureAt === null ? withCycle({ atPressureAt: at }) : state
    case 'boils':
      return isLit && cycle.boilsAt === null ? withCycle({ boilsAt: at }) : state
    case 'flame':
      return isLit ? withCycle({ flameChanges: [...cycle.flameChanges, { at, flame: data.flame }] }) : state
    case 'interrupted':
      if (state.phase !== 'heating') return state
      return withCycle({ interruptions: [...cycle.interruptions, { at, why: data.why, until: null }] }, 'interrupted')
    case 'resumed':
      return state.phase === 'interrupted'
        ? withCycle({ interruptions: endedAt(cycle.interruptions, at) }, 'heating')
        : state
    case 'heat-off':
      if (cycle.litAt === null || cycle.heatOffAt !== null) return state
      return withCycle({ heatOffAt: at, interruptions: endedAt(cycle.interruptions, at) }, 'releasing')
    case 'valve-opened':
      return cycle.valveOpenedAt === null ? withCycle({ valveOpenedAt: at }) : state
    case 'pressure-gone':
      // The newest look is the one that counts; by another clock it may lie after the opening, and changes nothing.
      if (state.phase !== 'releasing' && state.phase !== 'safe') return state
      return withCycle({ pressureGoneAt: Math.max(cycle.pressureGoneAt ?? at, at) }, 'safe')
    case 'opened':
      return cycle.openedAt === null ? withCycle({ openedAt: at }, 'opened') : state
    case 'goes-on': {
      const { figure, addWaterG, pinch, joins = false } = data
      const next: Cycle = { ...FRESH_CYCLE, more: { figure, addWaterG, pinch, joins } }
      return { ...state, phase: 'ready', checkedAt: null, cycles: [...state.cycles, next] as RunState['cycles'] }
    }
    case 'abandoned':
      return { ...state, phase: 'abandoned' }
    case 'undo':
      return state
  }
}

function withoutWhistle(state: RunState, id: string): RunState {
  const cycles = state.cycles.map((cycle) => ({
    ...cycle,
    whistles: cycle.whistles.filter((whistle) => whistle.id !== id),
  }))
  return { ...state, cycles: cycles as RunState['cycles'] }
}

function endedAt(interruptions: Cycle['interruptions'], at: number): Cycle['interruptions'] {
  return interruptions.map((one) => (one.until === null ? { ...one, until: at } : one))
}

/** When the run was first lit, in ms since 1970; null before. */
export function firstLitAt({ cycles }: RunState): number | null {
  return cycles[0]!.litAt
}

/** Which of the plan's closings of the lid it is at: 0 from the start, and one more each time foods have joined. */
export function closingOfRun({ cycles }: RunState): number {
  return cycles.filter(({ more }) => more?.joins).length
}

/** True if the pot stands open and more foods are to go in. */
export function awaitsFoods({ closings }: Pick<PlanAnswer, 'closings'>, state: RunState): boolean {
  return state.phase === 'opened' && closingOfRun(state) < closings.length - 1
}

/** True while somebody has to look after the pot. */
export function isRunning(answer: Pick<PlanAnswer, 'closings'>, state: RunState): boolean {
  const { phase, cycles } = state
  if (phase === 'ready') return cycles.length > 1
  return ['heating', 'interrupted', 'releasing', 'safe'].includes(phase) || awaitsFoods(answer, state)
}
