import { failed, problem, type Outcome } from '../problem'
import { holdsPressure } from '../pot/appliance'
import type { FlameName } from '../pot/cookers'
import { boilingC, latentJPerKg } from '../steam/steam'
import { FREE_LIQUID, type FreeLiquid } from '../water/liquids'
import type { PlanRequest } from './request'
import { atClosing, inBase, resolve, type ResolvedPlan } from './resolve'
import { solve, type Solution } from './solve'

/** How a pinched piece feels when it is not what was wanted. */
export type Pinch = 'hard' | 'firm'

/** A pot that has been opened, or is still shut: how hot, how wet, and what its foods have had. */
export interface PotState {
  tempC: number
  freeWaterG: number
  /** Boil-minutes of each food of the request so far. */
  gets: number[]
  /** What a pinch of each food told; null or missing where nobody pinched, then the plan's need is believed. */
  pinch?: (Pinch | null)[]
  /** The closing of the lid that is to come: foods that join at a later one stay out; one that joins now has had nothing and is cold. */
  closing?: number
  /** Boil-minutes that each food will get at still later closings; none if left out. */
  still?: number[]
}

export interface MoreProgram {
  unit: 'whistles' | 'minutes'
  figure: number
  /** Minutes until it can be opened again. */
  minutes: number
  /** Boiling water to add first, so that the base stays wet. */
  addWaterG: number
}

/** Just short of firm feels hard; between firm and tender feels firm (engineering estimates). */
const HARD_SHARE_OF_FIRM = 0.85
/** A pinch says at least this much more is needed (half a verdict step, engineering estimate). */
const LEAST_EXTRA_SHARE = 0.1
const BASE_LEFT_G = 60
/** A food that decides nothing still needs something to divide by. */
export const LEAST_NEED = 0.01

/**
 * “Not done”, and “now the rest goes in”: the smallest extra program from where the pot is. A pinch outranks
 * the plan: a food that has had what should make it tender and is hard needs in proportion more than was thought.
 */
export function notDone(request: PlanRequest, state: PotState): Outcome<MoreProgram> {
  const resolved = resolve(request)
  if (!resolved.ok) return resolved
  const bad = checkState(resolved.value, state)
  if (bad) return bad
  const more = goOn(resolved.value, state)
  if (!more.ok) return more
  const { addWaterG, solution } = more.value
  const { unit, figure, simulation } = solution
  const minutes = simulation.heatOffMinute + simulation.releaseMinutes
  return { ok: true, value: { unit, figure, minutes, addWaterG } }
}

/** The same for a plan that has been looked up, with all of the solution and the plan that it was solved for. */
export function goOn(
  whole: ResolvedPlan,
  state: PotState,
): Outcome<{ plan: ResolvedPlan; addWaterG: number; solution: Solution }> {
  const { tempC, freeWaterG, gets, closing = 0 } = state
  const { foods, ...rest } = atClosing(whole, closing)
  const joining = closing > 0 && foods.some(({ joins }, i) => joins === closing && gets[i] === 0)
  const plan: ResolvedPlan = {
    ...rest,
    goesOnFrom: { tempC, freeWaterG, ...(joining ? { closing } : {}) },
    foods: foods.map((item, i) => {
      const boilMinutes = stillNeeds(item, gets[i]!, state.pinch?.[i] ?? null) - (state.still?.[i] ?? 0)
      return { ...item, need: { ...item.need, boilMinutes: Math.max(LEAST_NEED, boilMinutes) } }
    }),
  }
  const { body, appliance } = plan.cooker
  const least = holdsPressure(appliance) ? body.minimumLiquidG : 0
  const leftG = leftWantedG(plan)
  let addWaterG = Math.max(0, Math.ceil(least - freeWaterG))
  for (let i = 0; i < 12; i++) {
    const solved = solve(plan, addWaterG)
    const dry = !solved.ok && solved.problems[0]!.code === 'boils-dry'
    if (!solved.ok && !dry) return solved
    const shortG = solved.ok ? leftG - solved.value.simulation.freeWaterLeftG : 150
    if (solved.ok && shortG <= 0.5) return { ok: true, value: { plan, addWaterG, solution: solved.value } }
    addWaterG += Math.ceil(shortG)
  }
  return failed(problem('never-ends', 'state'))
}

/** Free water that should be left at the end: what keeps the base wet, and what now joins in it still has to drink. */
function leftWantedG(plan: ResolvedPlan): number {
  const { freeWaterG, closing } = plan.goesOnFrom!
  const base = inBase(plan)
  if (!closing || base.length === 0) return BASE_LEFT_G
  // Where the simulation lets the food drink, what it drinks is not left.
  const drinks = holdsPressure(plan.cooker.appliance)
  const joinsG = base
    .filter(({ joins }) => joins === closing)
    .reduce((sum, item) => sum + item.freeLiquidG + (drinks ? Math.max(0, item.uptakeG - item.heldG) : 0), 0)
  const beforeG = base.some(({ joins }) => joins < closing) ? freeWaterG : 0
  return Math.max(BASE_LEFT_G, beforeG + joinsG)
}

/** Boil-minutes that a food still needs after so many, by the plan or, where it was pinched, by how it felt. */
export function stillNeeds({ need }: ResolvedPlan['foods'][number], got: number, pinch: Pinch | null): number {
  if (!pinch) return need.boilMinutes - got
  const { firm, tender } = need.window
  const felt = pinch === 'hard' ? HARD_SHARE_OF_FIRM * firm : (firm + tender) / 2
  const harder = Math.max(1, got / felt)
  return Math.max(need.boilMinutes * harder - got, LEAST_EXTRA_SHARE * need.boilMinutes)
}

function checkState({ foods }: ResolvedPlan, { tempC, freeWaterG, gets }: PotState) {
  if (!(tempC > -5 && tempC < 130))
    return failed(problem('out-of-range', 'state.tempC', { value: tempC, min: -5, max: 130 }))
  if (!(freeWaterG >= 0 && freeWaterG < 30_000))
    return failed(problem('out-of-range', 'state.freeWaterG', { value: freeWaterG, min: 0, max: 30_000 }))
  if (gets.length !== foods.length || gets.some((got) => !(got >= 0 && got < 1e5)))
    return failed(problem('not-a-number', 'state.gets'))
  return null
}

/**
 * “Too thin”: minutes at an open boil without the lid until so many g of liquid are gone, for each flame;
 * null for a flame that does not keep the pot boiling. Losses as with the lid on: an underestimate.
 */
export function tooThin(request: PlanRequest, excessG: number): Outcome<Record<FlameName, number | null>> {
  const resolved = resolve(request)
  if (!resolved.ok) return resolved
  if (!(excessG >= 0 && excessG < 30_000))
    return failed(problem('out-of-range', 'excessG', { value: excessG, min: 0, max: 30_000 }))
  const { burner, cooker, request: asked } = resolved.value
  const boilC = boilingC(asked.kitchen.altitudeM)
  const lossW = cooker.appliance.lossWPerK * (boilC - asked.kitchen.roomC)
  const minutes = (heatW: number) =>
    heatW > lossW ? ((excessG / 1000) * latentJPerKg(boilC)) / (heatW - lossW) / 60 : null
  const { high, medium, low, simmer } = burner
  return {
    ok: true,
    value: { high: minutes(high), medium: minutes(medium), low: minutes(low), simmer: minutes(simmer) },
  }
}

/** “Too thick”: g of boiling water to stir in to go from one consistency to another; 0 if it is thin enough. */
export function tooThick(request: PlanRequest, is: FreeLiquid, wanted: FreeLiquid): Outcome<number> {
  const resolved = resolve(request)
  if (!resolved.ok) return resolved
  const dryG = resolved.value.foods.reduce((sum, item) => sum + (item.tin === null ? item.dryG : 0), 0)
  return { ok: true, value: Math.max(0, Math.round(dryG * (FREE_LIQUID[wanted] - FREE_LIQUID[is]))) }
}
