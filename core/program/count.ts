import { COOKING_FLAMES } from '../names'
import type { Outcome } from '../problem'
import { isRefused } from '../safety/rules'
import type { PlanAnswer } from './answer'
import { CLOSEST_COUNTED_S } from './flame'
import { plan } from './plan'
import { prepare } from './prepared'
import type { PlanRequest } from './request.schema'

/** More whistles than these in one closing of the lid nobody keeps count of (general kitchen practice). */
export const MOST_COUNTED = 8

/** A count that nobody would keep, and what it would have been. */
export interface LostCount {
  reason: 'too-many' | 'too-close'
  whistles: number
  /** Seconds between two of them; null for a single one. */
  everyS: number | null
}

/** Why the count of a plan would be lost; null where it can be kept, or nothing is counted. */
export function lostCount({ closings }: Pick<PlanAnswer, 'closings'>): LostCount | null {
  for (const { range, program } of closings) {
    if (range.unit !== 'whistles') continue
    // Plans that were kept before it was told say nothing of it.
    const everyS = program.whistleEveryS ?? null
    const said = { whistles: range.figure, everyS }
    if (range.figure > MOST_COUNTED) return { reason: 'too-many', ...said }
    if (everyS !== null && everyS < CLOSEST_COUNTED_S) return { reason: 'too-close', ...said }
  }
  return null
}

/** A plan, and the request that it answers. */
export interface Countable {
  request: PlanRequest
  outcome: Outcome<PlanAnswer>
  /** The count that was asked for and would be lost, where another way was taken; else null. */
  instead: LostCount | null
}

/**
 * Plans a request; where its whistles could not be counted, the same pot on a lower flame or with one whistle and
 * then a low flame, whichever is over first. As it was asked for where none of them can be, or nothing was asked
 * to be counted.
 */
export function planCountable(asked: PlanRequest, options: { range?: boolean } = {}): Countable {
  const request = withFlame(asked)
  const { given, ...pot } = request
  const asAsked = { request, outcome: plan(request, options), instead: null }
  const counted = given ? plan(pot, { range: false }) : asAsked.outcome
  const lost = counted.ok ? lostCount(counted.value) : null
  if (!lost) return asAsked
  const others = waysAround(pot).flatMap((way) => {
    const outcome = plan(way, { range: false })
    const isWay = outcome.ok && !isRefused(outcome.value.cautions) && lostCount(outcome.value) === null
    return isWay ? [{ way, minutes: outcome.value.readyAtMinute }] : []
  })
  const best = others.sort((a, b) => a.minutes - b.minutes)[0]
  if (!best) return asAsked
  const taken = given ? { ...best.way, given } : best.way
  return { request: taken, outcome: plan(taken, options), instead: lost }
}

/** The request with the flame on which its whistles are counted, where that was left open. */
export function withFlame(request: PlanRequest): PlanRequest {
  const { style } = request
  if (style.kind !== 'whistles' || style.flame) return request
  const prepared = prepare(request)
  return prepared.ok ? { ...request, style: prepared.value.style } : request
}

function waysAround(pot: PlanRequest): PlanRequest[] {
  const { style } = pot
  if (style.kind !== 'whistles') return []
  const lower = COOKING_FLAMES.slice(COOKING_FLAMES.indexOf(style.flame as (typeof COOKING_FLAMES)[number]) + 1)
  return [
    ...lower.map((flame): PlanRequest => ({ ...pot, style: { ...style, flame } })),
    { ...pot, style: { kind: 'first-whistle-then-low' } },
  ]
}
