import type { SimulationCase } from '../pot/case'
import type { Outcome } from '../problem'
import { spreadOf, type FigureRange } from './range'
import { goOn, LEAST_NEED } from './remedy'
import { atClosing, type ResolvedFood, type ResolvedPlan } from './resolve'
import { settleWater, type Settled } from './settle'
import { openedC, solvePhase, withNeed } from './together'

/** Opening the pot, putting in what comes now and closing it again takes about so long (engineering estimate). */
export const OPENING_MINUTES = 3

/** A closing of the lid after the first: some foods join, and all go on. */
export interface LaterClosing {
  /** Indexes into the request's contents that go in now. */
  adds: number[]
  /** Boiling water to add with them. */
  addWaterG: number
  range: FigureRange
  /** Minutes from lighting it again until it can be opened. */
  minutes: number
  /** Boil-minutes that each food gets in it, and over the spread of what is unknown. */
  gets: number[]
  getsLow: number[]
  getsHigh: number[]
  /** Free water left when it is opened. */
  freeWaterLeftG: number
  boils: boolean
  case: SimulationCase
}

/** How often the lid is closed again after the first time. */
function laterCount({ foods }: ResolvedPlan): number {
  return Math.max(...foods.map(({ joins }) => joins))
}

/** The first closing as it is planned, and what it was settled with. */
export interface FirstClosing {
  plan: ResolvedPlan
  settled: Settled
  /** Boil-minutes that each food is to get at each later closing. */
  doses: number[][]
}

/** The first closing is shortened by what the later ones give; so often at most the two are brought together. */
const MOST_ROUNDS = 6
const ENOUGH = 0.999

/**
 * The first closing: what goes in from the start, for so long that the later ones, each as long as what joins in
 * it needs, do the rest. What they do is first estimated from the last backwards, each pot as a whole plan would
 * fill it, and then worked out from where the first leaves the pot.
 */
export function firstClosing(whole: ResolvedPlan): Outcome<FirstClosing> {
  const estimate = estimateLater(whole)
  if (!estimate.ok) return estimate
  let doses = estimate.value
  for (let round = 1; ; round++) {
    const plan = atClosing(lessBy(whole, doses), 0)
    const settled = settleWater(plan)
    if (!settled.ok) return settled
    const first = { plan, settled: settled.value, doses }
    if (doses.length === 0 || round === MOST_ROUNDS) return { ok: true, value: first }
    const ran = runLater(whole, first.settled, (closing) => (item) => item.joins === closing, doses)
    // A closing that no program can do by itself is told by the planner in its own words.
    if (!ran.ok) return { ok: true, value: first }
    const got = ran.value.map(({ solution }) => solution.simulation.boilMinutes)
    const start = first.settled.solution.simulation.boilMinutes
    const done = whole.foods.every(({ need }, i) => start[i]! + sumAt(got, i, 0) >= ENOUGH * need.boilMinutes)
    if (done) return { ok: true, value: first }
    doses = doses.map((was, c) => was.map((dose, i) => Math.min(dose, got[c]![i]!)))
  }
}

/** The later closings, each from where the one before left the pot; the same as the stove will be told then. */
export function laterClosings(
  whole: ResolvedPlan,
  first: Settled,
  doses: readonly number[][],
  withRange: boolean,
): Outcome<LaterClosing[]> {
  const ran = runLater(whole, first, () => () => true, doses)
  if (!ran.ok) return ran
  const closings = ran.value.map(({ plan, addWaterG, solution }, index): LaterClosing => {
    const { unit, figure, simulation } = solution
    const spread = withRange ? spreadOf(plan, { water: { pourG: addWaterG }, solution }) : null
    return {
      adds: whole.foods.flatMap(({ joins }, i) => (joins === index + 1 ? [i] : [])),
      addWaterG,
      range: spread?.range ?? { unit, figure, low: figure, high: figure },
      minutes: simulation.heatOffMinute + simulation.releaseMinutes,
      gets: simulation.boilMinutes,
      getsLow: spread?.gets.map(({ low }) => low) ?? simulation.boilMinutes,
      getsHigh: spread?.gets.map(({ high }) => high) ?? simulation.boilMinutes,
      freeWaterLeftG: simulation.freeWaterLeftG,
      boils: simulation.boilsAtMinute !== null,
      case: solution.case,
    }
  })
  return { ok: true, value: closings }
}

type Ran = Extract<ReturnType<typeof goOn>, { ok: true }>['value']

/** Goes through the later closings; of each, the foods that are not among the `deciding` need nothing. */
function runLater(
  whole: ResolvedPlan,
  first: Settled,
  deciding: (closing: number) => (item: ResolvedFood) => boolean,
  doses: readonly number[][],
): Outcome<Ran[]> {
  const closings: Ran[] = []
  let { boilMinutes: gets, freeWaterLeftG: freeWaterG } = first.solution.simulation
  for (let closing = 1; closing <= laterCount(whole); closing++) {
    const decides = deciding(closing)
    const plan = { ...whole, foods: whole.foods.map((item) => (decides(item) ? item : withNeed(item, LEAST_NEED))) }
    const still = whole.foods.map((_, i) => sumAt(doses, i, closing))
    const tempC = openedC(whole.request.kitchen.altitudeM)
    const more = goOn(plan, { tempC, freeWaterG, gets, closing, still })
    if (!more.ok) return more
    closings.push(more.value)
    const { simulation } = more.value.solution
    gets = gets.map((got, i) => got + simulation.boilMinutes[i]!)
    freeWaterG = simulation.freeWaterLeftG
  }
  return { ok: true, value: closings }
}

/** Boil-minutes of each food at each later closing, worked out from the last backwards. */
function estimateLater(whole: ResolvedPlan): Outcome<number[][]> {
  const indexes = whole.foods.map((_, i) => i)
  const joined = (upTo: number) => indexes.filter((i) => whole.foods[i]!.joins <= upTo)
  const doses: number[][] = []
  for (let closing = laterCount(whole); closing > 0; closing--) {
    const goesOnFrom = { tempC: openedC(whole.request.kitchen.altitudeM), freeWaterG: 0, closing }
    const deciding = indexes.filter((i) => whole.foods[i]!.joins === closing)
    const phase = solvePhase({ ...lessBy(whole, doses), goesOnFrom }, deciding, joined(closing))
    if (!phase.ok) return phase
    doses.unshift(phase.value.doses)
  }
  return { ok: true, value: doses }
}

const sumAt = (doses: readonly number[][], food: number, from: number) =>
  doses.slice(from).reduce((sum, of) => sum + of[food]!, 0)

/** The plan with its foods needing that much less than these closings give them. */
function lessBy(whole: ResolvedPlan, doses: readonly number[][]): ResolvedPlan {
  return {
    ...whole,
    foods: whole.foods.map((item, i) =>
      withNeed(item, Math.max(LEAST_NEED, item.need.boilMinutes - sumAt(doses, i, 0))),
    ),
  }
}
