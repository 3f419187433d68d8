import type { FlameName, Pinch } from '../names'
import { outOfBounds } from '../pot/check'
import { failed, problem, type Outcome, type Problem } from '../problem'
import { boilingC, latentJPerKg } from '../steam/steam'
import { FREE_LIQUID, type FreeLiquid } from '../water/liquids'
import type { Closing, OpenedPot } from './closing'
import { planClosing } from './plan-closing'
import { prepare, type PreparedFood, type PreparedPot } from './prepared'
import type { PlanRequest } from './request.schema'
import { closingOf } from './sequence'

/** A pot that stands open in the middle of a run, or is asked about while it is shut. */
export interface PotInRun extends OpenedPot {
  /** What a pinch of each food told; null or missing where nobody pinched, then the plan's need is believed. */
  pinch?: (Pinch | null)[]
  /** Which of the plan's closings the one to come is: foods that join at a later one stay out. */
  closing?: number
  /** Foods join now, and are cold; otherwise it is closed again with what is in it. */
  joins?: boolean
  /** Boil-minutes that each food will get at still later closings; none if left out. */
  still?: number[]
}

export interface MoreProgram {
  unit: 'whistles' | 'minutes'
  figure: number
  /** Minutes until it can be opened again. */
  minutes: number
  /** Boiling water to add first. */
  addWaterG: number
}

/** Just short of firm feels hard; between firm and tender feels firm (engineering estimates). */
const HARD_SHARE_OF_FIRM = 0.85
/** A pinch says at least this much more is needed (half a verdict step, engineering estimate). */
const LEAST_EXTRA_SHARE = 0.1
/** A pot that is closed again although all is done still runs the least that its style can. */
const LEAST_NEED = 0.01

/**
 * “Not done”, and “now the rest goes in”: the smallest program from where the pot is. A pinch outranks
 * the plan: a food that has had what should make it tender and is hard needs in proportion more than was thought.
 */
export function nextClosing(request: PlanRequest, state: PotInRun): Outcome<MoreProgram> {
  const prepared = prepare(request)
  if (!prepared.ok) return prepared
  const bad = checkState(prepared.value, state)
  if (bad.length > 0) return failed(...bad)
  const planned = planClosing(closingFrom(prepared.value, state))
  if (!planned.ok) return planned
  const { water, solution } = planned.value
  const { unit, figure, simulation } = solution
  const minutes = simulation.heatOffMinute + simulation.releaseMinutes
  return { ok: true, value: { unit, figure, minutes, addWaterG: water.pourG } }
}

/** The closing to come of a pot in the middle of a run. */
export function closingFrom(pot: PreparedPot, state: PotInRun): Closing {
  const { closing: number = 0, joins = false, still, pinch } = state
  const closing = closingOf(pot, number, state, (i) => still?.[i] ?? 0)
  return {
    ...closing,
    adds: joins ? closing.adds : closing.adds.map(() => false),
    needs: pot.foods.map((item, i) =>
      closing.inside[i]
        ? Math.max(LEAST_NEED, stillNeeds(item, state.gets[i]!, pinch?.[i] ?? null) - (still?.[i] ?? 0))
        : 0,
    ),
    keepsWet: joins,
  }
}

/** Boil-minutes that a food still needs after so many in this pot, by the plan or, where it was pinched, by how it felt. */
export function stillNeeds({ need, hadBoilMinutes }: PreparedFood, gotHere: number, pinch: Pinch | null): number {
  const got = hadBoilMinutes + gotHere
  if (!pinch) return need.boilMinutes - got
  const { firm, tender } = need.window
  const felt = pinch === 'hard' ? HARD_SHARE_OF_FIRM * firm : (firm + tender) / 2
  const harder = Math.max(1, got / felt)
  return Math.max(need.boilMinutes * harder - got, LEAST_EXTRA_SHARE * need.boilMinutes)
}

function checkState({ foods }: PreparedPot, { tempC, freeWaterG, gets }: PotInRun): Problem[] {
  const found = [
    ...outOfBounds(tempC, 'tempC', 'state.tempC'),
    ...outOfBounds(freeWaterG, 'liquidG', 'state.freeWaterG'),
  ]
  if (gets.length !== foods.length || gets.some((got) => !(got >= 0 && got < 1e5)))
    found.push(problem('not-a-number', 'state.gets'))
  return found
}

/**
 * “Too thin”: minutes at an open boil without the lid until so many g of liquid are gone, for each flame;
 * null for a flame that does not keep the pot boiling. Losses as with the lid on: an underestimate.
 */
export function tooThin(request: PlanRequest, excessG: number): Outcome<Record<FlameName, number | null>> {
  const prepared = prepare(request)
  if (!prepared.ok) return prepared
  const bad = outOfBounds(excessG, 'liquidG', 'excessG')
  if (bad.length > 0) return failed(...bad)
  const { burner, cooker, request: asked } = prepared.value
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
  const prepared = prepare(request)
  if (!prepared.ok) return prepared
  const dryG = prepared.value.foods.reduce((sum, item) => sum + (item.tin === null ? item.dryG : 0), 0)
  return { ok: true, value: Math.max(0, Math.round(dryG * (FREE_LIQUID[wanted] - FREE_LIQUID[is]))) }
}
