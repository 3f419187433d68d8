/** How long it may take, by a clock that is given: core has none. */
export interface Patience {
  /** Milliseconds, from any beginning. */
  nowMs: () => number
  /** When the best plan so far is taken. */
  withinMs: number
  /** Asked now and then: true ends it at once. */
  stopped?: () => boolean
}

/** Says from now on whether a share of the time is over, or somebody has ended it. */
export function endOf({ nowMs, withinMs, stopped }: Patience, share = 1): () => boolean {
  const endMs = nowMs() + share * withinMs
  return () => stopped?.() === true || nowMs() > endMs
}
