import { LRUCache } from 'lru-cache'
import pLimit, { type LimitFunction } from 'p-limit'

/** So many wait for their turn; whoever comes later is told to come again. */
const MOST_WAITING = 100
const turns = new LRUCache<string, LimitFunction>({ max: 5000 })

/**
 * Does one thing after another for each key, so that what one household asks for in a burst takes one connection and
 * leaves the others their share: the events of a run, which would wait for each other's lock in any case, and a
 * household's looks through its log and downloads.
 */
export async function inTurn<T>(key: string, work: () => Promise<T>): Promise<T> {
  const turn = turns.get(key) ?? pLimit(1)
  turns.set(key, turn)
  if (turn.pendingCount >= MOST_WAITING) throw refusal(429, { path: '', code: 'busy' })
  return turn(work)
}
