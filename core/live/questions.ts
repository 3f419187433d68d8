import { MINUTE_MS } from '../measure/time'
import { replay } from './course'
import { matchWhistles, type Heard } from './match'
import type { Situation } from './situation'

/** A whistle about which the cook should be asked. */
export type Question =
  /** One whistle or more seem to have slipped by, about then, before the one of that event. */
  | { kind: 'missed'; before: string; at: number[] }
  /** The one of that event came when none was due. */
  | { kind: 'false'; of: string; at: number }
  /** Pressed again so soon that it may be the same whistle. */
  | { kind: 'double'; of: string; at: number }
  /** For too long none was heard; about then some would have been due. */
  | { kind: 'silent'; since: number; at: number[] }

/** It is taken to have been missed or false when that is so many times likelier than not. */
const ASK_LOG_ODDS = 1
/** The pot is followed so far past now. */
const BEYOND_MS = 5 * MINUTE_MS
/** No pot whistles again within this time. */
const SAME_MS = 1000

/** What to ask of the whistles of a cycle that were heard, by the likeliest pot. */
export function questionsOf({ course, cycle, nowMs, heard, belief, overdue }: Situation): Question[] {
  if (cycle.whistles.length === 0) return []
  if (overdue?.after === 'whistle') return [{ kind: 'silent', since: cycle.whistles.at(-1)!.at, at: overdue.slippedAt }]
  const due = replay(course, cycle, belief.guess, nowMs + BEYOND_MS).result().whistleMinutes
  const score = (of: Heard) => matchWhistles(of, due).score
  const asHeard = score(heard)
  /** True if the match holds clearly better than its denial. */
  const isClear = (denied: Heard) => asHeard - score(denied) > ASK_LOG_ODDS
  const found: Question[] = []
  let before = { which: -1, at: cycle.litAt! }
  belief.match.of.forEach((which, i) => {
    const { id, at } = cycle.whistles[i]!
    const isAgain = i > 0 && at - cycle.whistles[i - 1]!.at <= SAME_MS
    if (isAgain && !heard.standing[i]) return void found.push({ kind: 'double', of: id, at })
    if (which === null) {
      if (isClear({ ...heard, standing: heard.standing.with(i, true) })) found.push({ kind: 'false', of: id, at })
      return
    }
    // Between the two that were heard, at the pot's own pace.
    const from = before.which < 0 ? 0 : due[before.which]!
    const pace = (at - before.at) / (due[which]! - from)
    const missed = due.slice(before.which + 1, which).map((minute) => before.at + (minute - from) * pace)
    const denied = { ...heard, noneMissedBefore: heard.noneMissedBefore.with(i, true) }
    if (missed.length > 0 && isClear(denied)) found.push({ kind: 'missed', before: id, at: missed })
    before = { which, at }
  })
  return found
}
