import type { Outcome } from '../problem'
import { heightOfMm } from '../pot/stacking'
import type { PlanAnswer } from '../program/answer'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import { isRefused } from '../safety/rules'
import { arrangements, type Arrangement } from './arrange'
import type { StackAsk } from './ask'
import { compare, contentsOf, doseTable, liftsOf, requestFor, setUp, thermalKey, weigh } from './weigh'
import type { Candidate, DoseTable, Setup } from './weigh'

/** One way to cook all of it in one go. */
export interface StackAnswer {
  arrangement: Arrangement
  request: PlanRequest
  plan: PlanAnswer
  /** Tins to lift out. */
  lifts: number
  minutes: number
}

export interface StackResult {
  /** The best three, best first; empty if nothing fits. */
  answers: StackAnswer[]
  /** Where nothing fits: what comes closest, with what is wrong in its cautions; null if no tins hold it at all. */
  nearest: StackAnswer | null
  /** How many arrangements fit the pot, and how many programs were run. */
  fitting: number
  simulated: number
}

export interface SearchProgress {
  done: number
}

/** Candidates that are planned in full: those that seem within a quarter of the best, but not endlessly many. */
const PLANNED = 40
const WORTH_PLANNING = 1.25
const BEST = 3
/**
 * Searches every arrangement of the foods over base and tins, with every soak and cover that is allowed, for
 * the programs in which each food ends inside its window; of those the quickest, then the one with fewest
 * tins to lift. Exhaustive; what is thermally alike is run once. Yields now and then, so that a caller can
 * show progress and stop.
 */
export function* searchStacks(ask: StackAsk): Generator<SearchProgress, Outcome<StackResult>> {
  const found = setUp(ask)
  if (!found.ok) return found
  const setup = found.value
  const candidates: Candidate[] = []
  const dosesOf = new Map<string, DoseTable | null>()
  let fitting = 0
  for (const arrangement of arrangements(ask, setup.foods, setup.body, setup.baseL)) {
    fitting++
    const key = thermalKey(arrangement)
    if (!dosesOf.has(key)) {
      dosesOf.set(key, doseTable(setup, arrangement))
      yield { done: dosesOf.size }
    }
    const table = dosesOf.get(key)
    if (table) candidates.push(weigh(setup, arrangement, table))
  }
  candidates.sort(compare)
  return { ok: true, value: planBest(setup, candidates, fitting, dosesOf.size) }
}

/** The same search carried out to its end. */
export function findStacks(ask: StackAsk): Outcome<StackResult> {
  const search = searchStacks(ask)
  for (;;) {
    const step = search.next()
    if (step.done) return step.value
  }
}

/** Plans the most promising candidates in full; the safety rules have the last word there. */
function planBest(setup: Setup, candidates: readonly Candidate[], fitting: number, simulated: number): StackResult {
  const planned: StackAnswer[] = []
  let nearest: StackAnswer | null = null
  const seen = new Set<string>()
  for (const candidate of candidates) {
    const { arrangement, soaks } = candidate
    const quickest = Math.min(...planned.map(({ minutes }) => minutes))
    const enough = new Set(planned.map(kindOf)).size >= BEST && candidate.minutes > WORTH_PLANNING * quickest
    if (seen.size >= PLANNED || enough) break
    const key = JSON.stringify([thermalKey(arrangement), soaks])
    if (seen.has(key)) continue
    seen.add(key)
    const request = requestFor(setup.ask, contentsOf(setup, arrangement, soaks), arrangement.trivetMm)
    const outcome = plan(request, { range: false })
    if (!outcome.ok) continue
    const answer: StackAnswer = {
      arrangement,
      request,
      plan: outcome.value,
      lifts: candidate.lifts,
      minutes: outcome.value.readyAtMinute,
    }
    nearest ??= answer
    const inside = outcome.value.foods.every(({ gets, needs, window }) => gets >= needs && gets <= window.max)
    const reaches = heightOfMm(Math.max(outcome.value.fill.beforeL, outcome.value.fill.afterL), setup.body)
    const dry = liftsOf(arrangement) === 0 || reaches <= arrangement.trivetMm
    if (inside && dry && !isRefused(outcome.value.cautions)) planned.push(answer)
  }
  planned.sort((a, b) => a.minutes - b.minutes || a.lifts - b.lifts)
  // Three ways that differ to the cook: not the same foods in the same order with the same soaks in other tins.
  const kinds = new Set<string>()
  const answers = planned.filter((answer) => !kinds.has(kindOf(answer)) && kinds.add(kindOf(answer))).slice(0, BEST)
  return { answers, nearest: answers.length > 0 ? null : nearest, fitting, simulated }
}

function kindOf({ arrangement: { base, tiers }, request }: StackAnswer): string {
  return JSON.stringify([
    base,
    tiers.map((tier) => tier.map(({ food }) => food).sort()),
    request.contents.map(({ soak }) => soak?.hours ?? 0),
  ])
}
