import { MINUTE_MS } from '~~/core/measure/time'
import { createGlobalState, useLocalStorage } from '@vueuse/core'
import { FetchError, ofetch, type FetchOptions } from 'ofetch'
import type { Problem } from '~~/core/problem'

/** A problem as the server tells it: with its code and figures where it has them, and in any case in words. */
export interface SaidProblem {
  path: string
  code?: string
  params?: Problem['params']
  message: string
}

/** What went wrong with a request: no answer at all, an error of the server's, or the reasons that it gave. */
export interface ApiFailure {
  kind: 'network' | 'server' | 'refused'
  status: number | null
  problems: SaidProblem[]
  /** What stands on the server now, where it was changed by somebody else. */
  now?: unknown
}

/** Reads the failure out of whatever a request threw. */
export function failureOf(error: unknown): ApiFailure {
  if (!(error instanceof FetchError) || !error.response) return { kind: 'network', status: null, problems: [] }
  const { status } = error.response
  const { problems, now } = (error.data ?? {}) as { problems?: SaidProblem[]; now?: unknown }
  return {
    kind: status >= 500 ? 'server' : 'refused',
    status,
    problems: problems ?? [{ path: '', message: error.message }],
    now,
  }
}

/** What this device's clock is behind the server's, and how surely it was measured. */
interface ClockOffset {
  ms: number
  roundTripMs: number
  measuredAt: number
}
/** A surer measurement is believed for so long; then clocks may have drifted or been set. */
const BELIEVED_MS = 5 * MINUTE_MS
/** The device may have slept during an answer that took longer: it says nothing of the time. */
const LONGEST_ROUND_TRIP_MS = 10_000
/** Made when it is first asked for: by then there is a storage, or what stands in for it. */
const useClock = createGlobalState(() =>
  useLocalStorage<ClockOffset>('bivvet-clock', { ms: 0, roundTripMs: Infinity, measuredAt: 0 }),
)

/** The server's time in ms since 1970, as far as this device can tell: what all devices of the house go by. */
export function serverNow(): number {
  return Date.now() + useClock().value.ms
}

/** Takes the server's time out of an answer that was asked for at `askedAt`. */
export function measureClock(serverMs: number, askedAt: number, now = Date.now()): void {
  const roundTripMs = now - askedAt
  const clock = useClock()
  const { roundTripMs: before, measuredAt } = clock.value
  // JSON has no infinity: a stored one comes back as null.
  const isSurer = before === null || roundTripMs <= before
  if (
    !(serverMs > 0) ||
    roundTripMs < 0 ||
    roundTripMs > LONGEST_ROUND_TRIP_MS ||
    (!isSurer && now - measuredAt < BELIEVED_MS)
  )
    return
  clock.value = { ms: Math.round(serverMs - (askedAt + roundTripMs / 2)), roundTripMs, measuredAt: now }
}

/** The one way to the server: JSON in and out, and its time by the way. Throws what `failureOf` reads. */
export async function api<T>(path: string, options: FetchOptions<'json'> = {}): Promise<T> {
  const askedAt = Date.now()
  // The routes' own types are not asked: what each answers is said by whoever asks.
  return await ofetch<T>(`/api${path}`, {
    ...options,
    onResponse({ response }) {
      measureClock(Number(response.headers.get('x-bivvet-now')), askedAt)
    },
  })
}
