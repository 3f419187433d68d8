import { failed, problem, type Outcome, type Problem } from '../problem'
import { heightOfMm } from '../pot/stacking'
import { Run } from '../pot/run'
import type { PlanAnswer } from '../program/answer'
import { bulkAfter, bulkBefore } from '../program/bulk'
import { caseOf } from '../program/closing-case'
import { plan } from '../program/plan'
import { prepare, type PreparedFood, type PreparedPot } from '../program/prepared'
import type { Content, PlanRequest } from '../program/request.schema'
import { closingOf } from '../program/sequence'
import { endsByItself, shapeOf } from '../program/styles'
import { isRefused } from '../safety/rules'
import { frothTimes, levelMl } from '../water/volume'
import { arrangements, type Arrangement } from './arrange'
import { MOST_FOODS, MOST_TINS, soakOptions, type StackAsk } from './ask'

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
/** g of water in the base that will leave as steam (engineering estimate). */
const BASE_STEAM_G = 150
const BASE_WATER_G = 350
/** g over the least liquid that a tin's run usually loses as steam before it is over. */
const BASE_SPARE_G = 60

/** How the search weighs an arrangement before it is planned in full. */
interface Candidate {
  arrangement: Arrangement
  /** Index into each food's soak options. */
  soaks: number[]
  /** How far the foods are outside their windows, as a sum of logarithms; 0 when all are inside. */
  outside: number
  minutes: number
  lifts: number
}

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

/** Without the short cuts: every combination of arrangement and soaks weighed for itself. For checking the search. */
export function bruteForce(ask: StackAsk): Candidate[] {
  const found = setUp(ask)
  if (!found.ok) return []
  const setup = found.value
  const all: Candidate[] = []
  for (const arrangement of arrangements(ask, setup.foods, setup.body, setup.baseL)) {
    const table = doseTable(setup, arrangement)
    if (!table) continue
    for (const soaks of product(setup.options.map((options) => options.length)))
      all.push(weighSoaks(setup, arrangement, table, soaks))
  }
  return all.sort(compare)
}

/** The best that the quick weighing finds; what bruteForce must agree with. */
export function bestCandidate(ask: StackAsk): Candidate | null {
  const found = setUp(ask)
  if (!found.ok) return null
  const setup = found.value
  let best: Candidate | null = null
  for (const arrangement of arrangements(ask, setup.foods, setup.body, setup.baseL)) {
    const table = doseTable(setup, arrangement)
    if (!table) continue
    const candidate = weigh(setup, arrangement, table)
    if (!best || compare(candidate, best) < 0) best = candidate
  }
  return best
}

function compare(a: Candidate, b: Candidate): number {
  return a.outside - b.outside || a.minutes - b.minutes || a.lifts - b.lifts
}

interface Setup {
  ask: StackAsk
  foods: PreparedFood[]
  body: PreparedPot['cooker']['body']
  /** Litres that a food reaches as the dish in the base. */
  baseL(food: number): number
  options: ReturnType<typeof soakOptions>[]
  /** Need and limit in boil-minutes of each food with each of its soaks. */
  windows: { needs: number; max: number }[][]
}

function setUp(ask: StackAsk): Outcome<Setup> {
  const problems: Problem[] = []
  if (ask.foods.length > MOST_FOODS)
    problems.push(problem('too-many-foods', 'foods', { value: ask.foods.length, max: MOST_FOODS }))
  if (ask.tins.length > MOST_TINS)
    problems.push(problem('too-many-tins', 'tins', { value: ask.tins.length, max: MOST_TINS }))
  if (ask.tins.length === 0 && ask.foods.length > 1) problems.push(problem('no-tins', 'tins'))
  if (endsByItself(ask.style) || ask.style.kind === 'basket') problems.push(problem('style-not-for-stack', 'style'))
  if (problems.length > 0) return failed(...problems)
  const inBase = ask.foods.map(({ soakMayChange: _, lock: __, ...content }): Content => ({ ...content, where: 'base' }))
  const prepared = prepare(requestFor(ask, inBase))
  if (!prepared.ok) return prepared
  const { foods, cooker } = prepared.value
  const options = ask.foods.map((item, i) => soakOptions(item, foods[i]!.food, ask.kitchen.tapC))
  const windows = options.map((soaks, i) =>
    soaks.map((soak) => {
      const contents = inBase.map((content, j) => (i === j ? { ...content, soak } : content))
      const again = prepare(requestFor(ask, contents))
      const { need } = again.ok ? again.value.foods[i]! : foods[i]!
      return { needs: need.boilMinutes, max: need.window.max }
    }),
  )
  const baseL = (food: number) => {
    const item = foods[food]!
    const liquidMl = item.freeLiquidG + item.uptakeG - item.insideG + BASE_STEAM_G
    const before = levelMl([bulkBefore(item)], liquidMl)
    return (Math.max(before, levelMl([bulkAfter(item)], item.freeLiquidG)) * frothTimes([item.food])) / 1000
  }
  return { ok: true, value: { ask, foods, body: cooker.body, baseL, options, windows } }
}

function requestFor(ask: StackAsk, contents: Content[], trivetMm?: number): PlanRequest {
  const { foods: _, tins: __, trivetsMm: ___, ownFoods, ...rest } = ask
  return {
    ...rest,
    contents,
    ...(trivetMm === undefined ? {} : { trivetMm }),
    ...(ownFoods && ownFoods.length > 0 ? { foods: ownFoods } : {}),
  }
}

/** The contents of an arrangement, in the order of the ask. */
function contentsOf({ ask, options }: Setup, { base, tiers }: Arrangement, soaks: readonly number[]): Content[] {
  return ask.foods.map(({ soakMayChange: _, lock: __, ...content }, i): Content => {
    const soak = options[i]![soaks[i]!]!
    if (i === base) return { ...content, soak, where: 'base' }
    const level = tiers.findIndex((tier) => tier.some(({ food }) => food === i))
    const { tin, covered } = tiers[level]!.find(({ food }) => food === i)!
    const { diameterMm, heightMm, volumeMl, material } = tin
    return {
      ...content,
      soak,
      where: { tin: { diameterMm, heightMm, volumeMl, material, lid: covered }, tier: level + 1 },
    }
  })
}

/** Two arrangements with the same key heat every food alike; the tiers' order changes nothing. */
function thermalKey({ base, tiers, trivetMm }: Arrangement): string {
  const tins = tiers
    .flat()
    .sort((a, b) => a.food - b.food)
    .map(({ food, tin, covered }) => [food, tin.diameterMm, tin.heightMm, covered])
  return JSON.stringify([base, trivetMm, tins])
}

/** What each food has got, and after how many minutes the pot is open, when the program ends at each figure. */
interface DoseTable {
  rows: { minutes: number; gets: number[] }[]
}

/**
 * One run of the arrangement, its doses noted at every figure of the style, with the release from there. How
 * a tin was soaked changes nothing in it: what the food holds already is not poured in.
 */
function doseTable(setup: Setup, arrangement: Arrangement): DoseTable | null {
  const { ask, windows } = setup
  const first = setup.options.map(() => 0)
  const prepared = prepare(requestFor(ask, contentsOf(setup, arrangement, first), arrangement.trivetMm))
  if (!prepared.ok) return null
  const { style } = ask
  if (endsByItself(style)) return null
  const pot = prepared.value
  const shape = shapeOf(style, pot.burner, pot.cooker.appliance)
  const run = new Run(
    caseOf(
      closingOf(pot, 0, null, () => 0),
      pourGuessG(pot),
      [],
    ),
  )
  if (!shape.before.every((step) => run.step(step)) || !run.step(shape.last(shape.min))) return null
  const rows: DoseTable['rows'] = []
  for (let figure = shape.min; figure <= shape.max; figure += shape.by) {
    const moment = run.save()
    if (pot.release && !run.release(pot.release)) return rows.length > 0 ? { rows } : null
    const gets = run.boilMinutes()
    const { heatOffMinute, releaseMinutes } = run.result()
    rows.push({ minutes: heatOffMinute + releaseMinutes, gets })
    // Beyond the limit of the food worst off nothing gets better.
    if (gets.some((got, i) => windows[i]!.every(({ max }) => got > max))) break
    if (gets.every((got, i) => windows[i]!.some(({ needs }) => got >= needs))) break
    run.restore(moment)
    if (!run.step(shape.next(figure + shape.by))) break
  }
  return { rows }
}

/** Base water before the plan has settled it: what the dish there wants, or what a run of tins usually takes. */
function pourGuessG(pot: PreparedPot): number {
  const inBase = pot.foods.filter(({ tin }) => tin === null)
  const wanted = inBase.reduce((sum, item) => sum + item.uptakeG + item.freeLiquidG - item.heldG, 0)
  return Math.max(BASE_WATER_G, pot.cooker.body.minimumLiquidG + BASE_SPARE_G, wanted + BASE_SPARE_G * 2)
}

/** The best soaks for an arrangement: at each figure every food chooses for itself. */
function weigh(setup: Setup, arrangement: Arrangement, { rows }: DoseTable): Candidate {
  let best: Candidate | null = null
  for (const { minutes, gets } of rows) {
    const chosen = gets.map((got, i) => nearestOption(setup.windows[i]!, got))
    const candidate: Candidate = {
      arrangement,
      soaks: chosen.map(({ option }) => option),
      outside: chosen.reduce((sum, { outside }) => sum + outside, 0),
      minutes,
      lifts: liftsOf(arrangement),
    }
    if (!best || compare(candidate, best) < 0) best = candidate
  }
  return best!
}

function weighSoaks(setup: Setup, arrangement: Arrangement, { rows }: DoseTable, soaks: number[]): Candidate {
  const weighed = rows.map(({ minutes, gets }): Candidate => {
    const outside = gets.reduce((sum, got, i) => sum + outsideOf(setup.windows[i]![soaks[i]!]!, got), 0)
    return { arrangement, soaks, outside, minutes, lifts: liftsOf(arrangement) }
  })
  return weighed.sort(compare)[0]!
}

function nearestOption(windows: readonly { needs: number; max: number }[], got: number) {
  let best = { option: 0, outside: Infinity }
  windows.forEach((window, option) => {
    const outside = outsideOf(window, got)
    if (outside < best.outside) best = { option, outside }
  })
  return best
}

function outsideOf({ needs, max }: { needs: number; max: number }, got: number): number {
  if (got < needs) return got > 0 ? Math.log(needs / got) : 10
  return got > max ? Math.log(got / max) : 0
}

const liftsOf = ({ tiers }: Arrangement) => tiers.flat().length

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

function* product(sizes: readonly number[]): Generator<number[]> {
  const [size, ...rest] = sizes
  if (size === undefined) {
    yield []
    return
  }
  for (let i = 0; i < size; i++) for (const tail of product(rest)) yield [i, ...tail]
}
