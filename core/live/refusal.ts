import { runState, type RunEvent } from './run'

/** Why an event cannot follow. The sentences stand here once and are merged into the messages under `runs`. */
export const RUN_REFUSALS = {
  'not-lit': 'The pot has not been lit yet. Light it first.',
  'already-lit': 'The pot is already lit.',
  'heat-is-off': 'The heat is off already.',
  'heat-is-on': 'The heat is still on. Turn it off first.',
  'heat-is-away': 'The heat is away. Say first that it is back.',
  'heat-is-there': 'The heat is not away.',
  'pressure-not-gone': 'The pressure is not gone yet. Wait until the indicator is down, then say so.',
  'sum-says-pressure':
    'By the sum it may still hold pressure. Wait, or lift the weight a little: open it only when nothing hisses.',
  'not-open': 'The pot has not been opened yet.',
  'no-such-whistle': 'That whistle has not been counted.',
  'run-over': 'This run is over. Start a new one.',
  'nothing-to-undo': 'Only the last thing that happened can be undone.',
  'too-early': 'That is earlier than what has been written down already. Check the clock of this device.',
  'in-the-future': 'That lies in the future. Check the clock of this device.',
} as const
export type RunRefusal = keyof typeof RUN_REFUSALS

/** Clocks of two devices in one kitchen may differ by this much. */
const CLOCK_SKEW_MS = 2 * 60_000

/** What a refusal looks at besides the events. */
export interface PotFacts {
  underPressure: boolean
  /** From when on the pressure may be gone by the sum, in ms since 1970; asked only when it matters. */
  opensFrom: () => number
}

/**
 * Whether an event may come next, and if not why. A pot that holds pressure is never accepted as
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
  if (data.kind === 'undo') return data.of === state.lastEventId ? null : 'nothing-to-undo'
  const recalled = data.kind === 'whistle' && data.how === 'recalled'
  const notBefore = recalled ? state.litAt : state.lastAt
  if (notBefore !== null && at < notBefore - CLOCK_SKEW_MS) return 'too-early'
  if (state.phase === 'abandoned') return 'run-over'
  if (state.phase === 'opened') return data.kind === 'goes-on' || data.kind === 'abandoned' ? null : 'run-over'
  const known = (id: string) => (state.whistles.some((whistle) => whistle.id === id) ? null : 'no-such-whistle')
  switch (data.kind) {
    case 'abandoned':
      return null
    case 'checked':
    case 'lit':
      return state.phase === 'ready' ? null : 'already-lit'
    case 'no-whistle':
    case 'whistle-stands':
      return known(data.of)
    case 'none-missed':
      return known(data.before)
    case 'whistle':
    case 'at-pressure':
    case 'boils':
    case 'flame':
    case 'interrupted':
      if (state.phase === 'ready') return 'not-lit'
      if (state.phase === 'interrupted') return recalled ? null : 'heat-is-away'
      return state.phase === 'heating' || recalled ? null : 'heat-is-off'
    case 'resumed':
      return state.phase === 'interrupted' ? null : 'heat-is-there'
    case 'heat-off':
      if (state.phase === 'ready') return 'not-lit'
      return state.phase === 'heating' || state.phase === 'interrupted' ? null : 'heat-is-off'
    case 'valve-opened':
      // Lifting the weight is also how a cook makes sure that nothing is left.
      if (state.phase === 'ready') return 'not-lit'
      return state.phase === 'releasing' || state.phase === 'safe' ? null : 'heat-is-on'
    case 'pressure-gone':
      if (state.phase === 'ready') return 'not-lit'
      if (state.phase === 'heating' || state.phase === 'interrupted') return 'heat-is-on'
      return state.phase === 'releasing' ? null : 'run-over'
    case 'opened':
      if (state.phase === 'ready') return 'not-lit'
      if (state.phase === 'heating' || state.phase === 'interrupted')
        return pot.underPressure ? 'pressure-not-gone' : 'heat-is-on'
      if (!pot.underPressure) return null
      if (state.phase !== 'safe') return 'pressure-not-gone'
      return at < pot.opensFrom() ? 'sum-says-pressure' : null
    case 'goes-on':
      return 'not-open'
  }
}
