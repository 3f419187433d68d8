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

/** It is taken to have been missed or false when that is so many times likelier than not. */
const ASK_LOG_ODDS = 1
/** The pot is followed so far past now. */
const BEYOND_MS = 5 * MINUTE_MS

/** What to ask of the whistles of a leg that were heard, by the likeliest pot. */
export function questionsOf({ course, leg, nowMs, heard, belief }: Situation): Question[] {
  if (leg.whistles.length === 0) return []
  const due = replay(course, leg, belief.guess, nowMs + BEYOND_MS).result().whistleMinutes
  const score = (of: Heard) => matchWhistles(of, due).score
  const asHeard = score(heard)
  /** True if the match holds clearly better than its denial. */
  const isClear = (denied: Heard) => asHeard - score(denied) > ASK_LOG_ODDS
  const found: Question[] = []
  let before = { which: -1, at: leg.litAt! }
  belief.match.of.forEach((which, i) => {
    const { id, at } = leg.whistles[i]!
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
