import type { Believed, Terms } from './posterior'

/** What was learnt, as far as plans need it: it can be sent and kept. */
export interface LearntSums {
  ids: string[]
  means: number[]
  /** The covariance, as rows of its lower triangle. */
  rows: number[][]
  /** W or W/K that a figure of a cooker is a factor of, by its id. */
  said: Record<string, number>
}

/** Nothing has been learnt yet. */
export const NOTHING_LEARNT: LearntSums = { ids: [], means: [], rows: [], said: {} }

/** What is believed, from what was sent. */
export function believedOf({ ids, means, rows, said }: LearntSums): Believed {
  const places = new Map(ids.map((id, i) => [id, i]))
  const of = (terms: Terms) => {
    const known = [...terms].map(([id, times]) => {
      const place = places.get(id)
      if (place === undefined) throw new TypeError(`No figure ${id} is known.`)
      return { place, times }
    })
    const mean = known.reduce((sum, { place, times }) => sum + times * means[place]!, 0)
    const variance = known.reduce(
      (sum, a) =>
        sum +
        known.reduce((part, b) => {
          const [high, low] = a.place > b.place ? [a.place, b.place] : [b.place, a.place]
          return part + a.times * b.times * rows[high]![low]!
        }, 0),
      0,
    )
    return { mean, sd: Math.sqrt(Math.max(0, variance)) }
  }
  return { of, has: (id) => places.has(id), saidOf: (id) => said[id] ?? null }
}
