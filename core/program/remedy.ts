import { failed, problem, type Outcome } from '../problem'
import { holdsPressure } from '../pot/appliance'
import type { FlameName } from '../pot/cookers'
import { boilingC, latentJPerKg } from '../steam/steam'
import { FREE_LIQUID, type FreeLiquid } from '../water/liquids'
import type { PlanRequest } from './request'
import { resolve, type ResolvedPlan } from './resolve'
import { solve } from './solve'

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

/**
 * “Not done”: the smallest extra program from where the pot is. A pinch outranks the plan: a food
 * that has had what should make it tender and is hard needs in proportion more than was thought.
 */
export function notDone(request: PlanRequest, state: PotState): Outcome<MoreProgram> {
  const resolved = resolve(request)
  if (!resolved.ok) return resolved
  const bad = checkState(resolved.value, state)
  if (bad) return bad
  const foods = resolved.value.foods.map((item, i) => {
    const got = state.gets[i]!
    return {
      ...item,
      need: { ...item.need, boilMinutes: Math.max(0.01, stillNeeds(item, got, state.pinch?.[i] ?? null)) },
    }
  })
  const { body, appliance } = resolved.value.cooker
  const least = holdsPressure(appliance) ? body.minimumLiquidG : 0
  let addWaterG = Math.max(0, Math.ceil(least - state.freeWaterG))
  for (let i = 0; i < 12; i++) {
    const start = { tempC: state.tempC, freeWaterG: state.freeWaterG }
    const solved = solve({ ...resolved.value, foods, goesOnFrom: start }, addWaterG)
    const dry = !solved.ok && solved.problems[0]!.code === 'boils-dry'
    if (!solved.ok && !dry) return solved
    const shortG = solved.ok ? BASE_LEFT_G - solved.value.simulation.freeWaterLeftG : 150
    if (solved.ok && shortG <= 0.5) {
      const { unit, figure, simulation } = solved.value
      return {
        ok: true,
        value: { unit, figure, minutes: simulation.heatOffMinute + simulation.releaseMinutes, addWaterG },
      }
    }
    addWaterG += Math.ceil(shortG)
  }
  return failed(problem('never-ends', 'state'))
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
