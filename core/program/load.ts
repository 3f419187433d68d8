import { cooksCovered, setsAsGrain } from '../food/food'
import { holdsPressure } from '../pot/appliance'
import type { CookedFood, Grain, Load, SimulationCase, Step, VesselLoad } from '../pot/case'
import { liquidBroughtG } from '../water/sum'
import { levelMl } from '../water/volume'
import { inBase, type ResolvedFood, type ResolvedPlan } from './resolve'

const WATER_J_PER_G_K = 4.22
const HELD_WATER_J_PER_G_K = 4.2
const DRY_FOOD_J_PER_G_K = 1.8
/** Fresh vegetables, meat and eggs are mostly water (engineering estimate). */
const FRESH_FOOD_J_PER_G_K = 3.7
/** Heat capacity of a steel tin of 0.35 kg (engineering estimate). */
const TIN_J_PER_K = 175
const LID_TIMES_COUPLING = 0.8
/** W/m²K from condensing steam to what the tin holds (engineering estimates). */
const COUPLING = { watery: 300, grain: 170, pieces: 120 } as const

/** g of water to measure into a food's own tin; there it loses none. */
export function tinWaterG(item: ResolvedFood): number {
  return Math.max(0, Math.round(item.uptakeG + item.freeLiquidG - item.heldG - item.soakWaterG))
}

/** The simulation case of a plan with so much water poured into the base and this program. */
export function caseOf(plan: ResolvedPlan, pourG: number, program: Step[]): SimulationCase {
  const { request, cooker } = plan
  const inTins = tinned(plan)
  return {
    appliance: cooker.appliance,
    load: loadOf(plan, pourG),
    place: { altitudeM: request.kitchen.altitudeM, roomC: request.kitchen.roomC },
    program,
    release: plan.release,
    foods: plan.foods.map((item): CookedFood => ({
      zC: item.food.zC,
      zAbove110C: item.food.zAbove110C,
      vessel: item.tin === null ? null : inTins.indexOf(item),
      sizeMm: item.food.sizeMm,
      ...(isNew(plan, item) ? { startC: request.kitchen.roomC } : {}),
      ...(item.absent ? { vessel: null, absent: true } : {}),
    })),
    ...grainOf(plan),
  }
}

/**
 * What drinks from the base while it cooks, taken as one grain. Under pressure the drinking changes
 * nothing that matters, since water weighs on the pot whether free or held; in pots that boil open it
 * decides when they are dry.
 */
function grainOf(plan: ResolvedPlan): { grain?: Grain } {
  if (holdsPressure(plan.cooker.appliance)) return {}
  const drinking = inBase(plan).filter(({ food }) => food.soak !== null)
  if (drinking.length === 0) return {}
  const dryG = drinking.reduce((sum, item) => sum + item.dryG, 0)
  const share = (of: (item: ResolvedFood) => number) => drinking.reduce((sum, item) => sum + of(item), 0) / dryG
  return {
    grain: {
      food: plan.foods.indexOf(drinking[0]!),
      dryKg: dryG / 1000,
      uptakeMax: Math.max(
        share(({ uptakeG }) => uptakeG),
        share(({ insideG }) => insideG),
      ),
      uptakeStart: share(({ insideG }) => insideG),
      tenderBoilMinutes: drinking[0]!.need.window.tender,
    },
  }
}

function loadOf(plan: ResolvedPlan, pourG: number): Load {
  const { roomC, tapC } = plan.request.kitchen
  const base = inBase(plan)
  const foodJPerK = base.reduce((sum, item) => sum + dryAndHeldJPerK(item), 0)
  const surfaceG = base.reduce((sum, item) => sum + looseWaterG(item), 0)
  const { goesOnFrom } = plan
  const freeG = pourG + (goesOnFrom?.freeWaterG ?? liquidBroughtG(plan.liquids) + surfaceG)
  const waterJPerK = freeG * WATER_J_PER_G_K
  const metalJPerK = plan.cooker.appliance.metalKg * plan.cooker.appliance.metalJPerKgK
  const atRoomJPerK = foodJPerK + metalJPerK
  const newJPerK = base.reduce((sum, item) => sum + (isNew(plan, item) ? dryAndHeldJPerK(item) : 0), 0)
  return {
    freeWaterKg: freeG / 1000,
    foodJPerK,
    startC: goesOnFrom
      ? goesOnFrom.tempC - ((goesOnFrom.tempC - roomC) * newJPerK) / (waterJPerK + atRoomJPerK)
      : (waterJPerK * tapC + atRoomJPerK * roomC) / (waterJPerK + atRoomJPerK),
    vessels: tinned(plan).map((item) => vesselOf(plan, item)),
  }
}

/** It goes into a pot that was opened, and is cold. */
function isNew({ goesOnFrom }: ResolvedPlan, { joins, absent }: ResolvedFood): boolean {
  return !absent && joins > 0 && joins === goesOnFrom?.closing
}

/** The foods in tins, in the order in which the load counts them. */
function tinned({ foods }: ResolvedPlan): ResolvedFood[] {
  return foods.filter(({ tin, absent }) => tin !== null && !absent)
}

function dryAndHeldJPerK({ food, dryG, insideG }: ResolvedFood): number {
  return dryG * (food.soak ? DRY_FOOD_J_PER_G_K : FRESH_FOOD_J_PER_G_K) + insideG * HELD_WATER_J_PER_G_K
}

/** Water that comes with a food but not inside it: on its surface, or what it was soaked in. */
function looseWaterG({ heldG, insideG, soakWaterG }: ResolvedFood): number {
  return heldG > 0 ? heldG - insideG : Math.max(0, soakWaterG - insideG)
}

function vesselOf(plan: ResolvedPlan, item: ResolvedFood): VesselLoad {
  const tin = plan.tins[item.tin!]!
  const { food, dryG, texture, insideG } = item
  const waterG = tinWaterG(item) + looseWaterG(item)
  const radiusM = tin.diameterMm / 2000
  const floorM2 = Math.PI * radiusM * radiusM
  const volumeMl = levelMl([{ food, dryG, texture, waterInsideG: insideG }], waterG)
  const heightM = Math.min(volumeMl / 1e6 / floorM2, tin.heightMm / 1000)
  const wettedM2 = floorM2 + 2 * Math.PI * radiusM * heightM
  const perM2 = setsAsGrain(food) ? COUPLING.grain : cooksCovered(food) ? COUPLING.watery : COUPLING.pieces
  return {
    heatJPerK: TIN_J_PER_K + dryAndHeldJPerK(item) + waterG * WATER_J_PER_G_K,
    couplingWPerK: perM2 * wettedM2 * (tin.lid ? LID_TIMES_COUPLING : 1),
    ...(isNew(plan, item) ? { startC: plan.request.kitchen.roomC } : {}),
  }
}
