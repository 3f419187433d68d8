/** How much a search may take, by a measure that is given: core has no clock. */
export interface Budget {
  /** What has been spent since any beginning: pieces of work, or milliseconds where time is what is judged. */
  spent: () => number
  /** When the best plan so far is taken. */
  most: number
  /** Asked now and then: true ends it at once. */
  stopped?: () => boolean
}

/**
 * A budget counted in work: each question whether it is over is one piece. What is found with it, and what is left
 * undecided, is the same on every machine.
 */
export function workBudget(most: number): Budget {
  let pieces = 0
  return { spent: () => pieces++, most }
}

/** Says from now on whether a share of the budget is spent, or somebody has ended it. */
export function endOf({ spent, most, stopped }: Budget, share = 1): () => boolean {
  const end = spent() + share * most
  return () => stopped?.() === true || spent() > end
}
