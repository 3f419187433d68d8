import { cooksCovered } from '../food/food'
import type { Outcome } from '../problem'
import type { SimulationCase } from '../pot/case'
import { boilingC } from '../steam/steam'
import { LEAST_NEED } from './remedy'
import type { PlanRequest } from './request'
import { resolve, type ResolvedFood, type ResolvedPlan } from './resolve'
import { settleWater } from './settle'

/** After opening, a pot is about this much below its boiling point when food is added (engineering estimate). */
const COOLED_BY_K = 8

/** How hot a pot is that has been opened to put something in. */
export function openedC(altitudeM: number): number {
  return boilingC(altitudeM) - COOLED_BY_K
}

export interface Phase {
  /** Indexes into the request's contents that go in at the start of this phase. */
  adds: number[]
  unit: 'whistles' | 'minutes'
  figure: number
  /** Minutes from lighting this phase until the lid can be opened. */
  minutes: number
  /** The case it was solved on, for drawing it. */
  case: SimulationCase
}

export interface Together {
  /** one-go: all from the start. in-phases: some go in later. apart: some cannot share this pot at all. */
  kind: 'one-go' | 'in-phases' | 'apart'
  phases: Phase[]
  /** Boil-minutes of each food over all phases, against its need and its limit. */
  foods: { index: number; gets: number; needs: number; max: number }[]
  /** Foods that are past their limit whatever the order. */
  apart: number[]
  /** What should go in only when its food is done: sour things keep pulses hard. */
  lateAdditions: { index: number; addition: 'acid' }[]
}

export interface PhasedDoses {
  phases: Phase[]
  /** Boil-minutes of every food of the request over these phases. */
  doses: number[]
}

/**
 * Whether several foods in one pot can be cooked in one go, and if not who goes in late. Those that
 * the hardest food's program would ruin are kept back for a later phase of their own length, in which
 * the hard ones go on cooking and which therefore shortens the earlier one; and so on among the late ones.
 * When each joins by the request is left aside: this is the question when they should.
 */
export function together(request: PlanRequest): Outcome<Together> {
  const resolved = resolve(request)
  if (!resolved.ok) return resolved
  const plan = { ...resolved.value, foods: resolved.value.foods.map((item) => ({ ...item, joins: 0 })) }
  const all = plan.foods.map((_, i) => i)
  const phased = phasesFor(plan, all, all)
  if (!phased.ok) return phased
  const { phases, doses } = phased.value
  const foods = plan.foods.map(({ need }, index) => ({
    index,
    gets: doses[index]!,
    needs: need.boilMinutes,
    max: need.window.max,
  }))
  const apart = foods.filter(({ gets, max }) => gets > max).map(({ index }) => index)
  const lateAdditions = request.contents.flatMap(({ additions }, index) =>
    additions?.includes('acid') && cooksCovered(plan.foods[index]!.food) ? [{ index, addition: 'acid' as const }] : [],
  )
  const kind = apart.length > 0 ? 'apart' : phases.length > 1 ? 'in-phases' : 'one-go'
  return { ok: true, value: { kind, phases, foods, apart, lateAdditions } }
}

/**
 * The phases in which the foods of `deciding` get what they need. `inPot` are those in the pot in the
 * first of these phases; foods that are there already go on cooking.
 */
function phasesFor(plan: ResolvedPlan, deciding: readonly number[], inPot: readonly number[]): Outcome<PhasedDoses> {
  const joint = solvePhase(plan, deciding, inPot)
  if (!joint.ok) return joint
  const late = deciding.filter((i) => joint.value.doses[i]! > plan.foods[i]!.need.window.max)
  if (late.length === 0 || late.length === deciding.length) return joint
  const early = deciding.filter((i) => !late.includes(i))
  // The water of a whole plan for these foods stands in for what is in the pot by then.
  const closing = (plan.goesOnFrom?.closing ?? 0) + 1
  const joining = plan.foods.map((item, i) => (late.includes(i) ? { ...item, joins: closing } : item))
  const warm = {
    ...plan,
    foods: joining,
    goesOnFrom: { tempC: openedC(plan.request.kitchen.altitudeM), freeWaterG: 0, closing },
  }
  const later = phasesFor(warm, late, inPot)
  if (!later.ok) return later
  const foods = plan.foods.map((item, i) =>
    early.includes(i) ? withNeed(item, Math.max(LEAST_NEED, item.need.boilMinutes - later.value.doses[i]!)) : item,
  )
  const first = solvePhase(
    { ...plan, foods },
    early,
    inPot.filter((i) => !late.includes(i)),
  )
  if (!first.ok) return first
  return {
    ok: true,
    value: {
      phases: [...first.value.phases, ...later.value.phases],
      doses: later.value.doses.map((dose, i) => dose + first.value.doses[i]!),
    },
  }
}

/** One phase: the program that the foods of `deciding` need, with the foods of `inPot` in the pot. */
export function solvePhase(
  plan: ResolvedPlan,
  deciding: readonly number[],
  inPot: readonly number[],
): Outcome<PhasedDoses> {
  const foods = plan.foods.map((item, i) => ({
    ...(deciding.includes(i) ? item : withNeed(item, LEAST_NEED)),
    absent: !inPot.includes(i),
  }))
  const settled = settleWater({ ...plan, foods })
  if (!settled.ok) return settled
  const { unit, figure, simulation, case: solved } = settled.value.solution
  const minutes = simulation.heatOffMinute + simulation.releaseMinutes
  return {
    ok: true,
    value: {
      phases: [{ adds: [...deciding], unit, figure, minutes, case: solved }],
      doses: simulation.boilMinutes,
    },
  }
}

export function withNeed(item: ResolvedFood, boilMinutes: number): ResolvedFood {
  return { ...item, need: { ...item.need, boilMinutes } }
}
