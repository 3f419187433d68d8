import { holdsPressure } from '../appliance/appliance'
import type { Step } from '../appliance/step.schema'
import { cooksCovered, setsAsGrain } from '../food/food'
import type { Food } from '../food/food.schema'
import type { CookedFood, Grain, Load, SimulationCase, VesselLoad } from '../pot/case.schema'
import { boilingC } from '../steam/steam'
import { LIQUID_YIELD } from '../water/liquids'
import { liquidBroughtG } from '../water/sum'
import { levelMl } from '../water/volume'
import { bulkBefore } from './bulk'
import { inBase, inTins, isColdIn, type Closing } from './closing'
import { foodJPerK, FRESH_FOOD_J_PER_G_K, WATER_J_PER_G_K } from './heat-capacity'
import { looseWaterG, type PreparedFood, type PreparedPot } from './prepared'
import { tinWaterG } from './tins'

/** Heat capacity of a steel tin of 0.35 kg (engineering estimate). */
const TIN_J_PER_K = 175
const LID_TIMES_COUPLING = 0.8
/** What boils already has to come to the boil all the same. */
const JUST_BELOW_K = 0.2
/** W/m²K from condensing steam to what the tin holds (engineering estimates). */
const COUPLING = { watery: 300, grain: 170, pieces: 120 } as const

/** The simulation case of a closing with so much water poured into the base and this program. */
export function caseOf(closing: Closing, pourG: number, program: Step[]): SimulationCase {
  const { request, cooker, release, foods } = closing.pot
  const tinned = tinsInside(closing)
  return {
    appliance: cooker.appliance,
    load: loadOf(closing, pourG),
    place: { altitudeM: request.kitchen.altitudeM, roomC: request.kitchen.roomC },
    program,
    release,
    foods: foods.map((item, i): CookedFood => ({
      zC: item.food.zC,
      zAbove110C: item.food.zAbove110C,
      vessel: item.tin === null || !closing.inside[i] ? null : tinned.indexOf(item.tin),
      sizeMm: item.food.sizeMm,
      ...(isColdIn(closing, item) ? { startC: request.kitchen.roomC } : {}),
      ...(closing.inside[i] ? {} : { absent: true }),
    })),
    ...grainOf(closing),
  }
}

/** The tins that stand in it, as places in the pot's list. */
const tinsInside = (closing: Closing): number[] => [...new Set(inTins(closing).map(({ tin }) => tin!))]

/** g of free liquid that stands in the pot before anything of its request goes in. */
export const stoodG = ({ request: { stands } }: PreparedPot) => stands?.freeWaterG ?? 0

/** What stands in the pot besides its foods and their water; else what its liquids leave of themselves, cold. */
export function standsIn({ request: { stands, liquids, kitchen } }: PreparedPot) {
  const restG = liquids.reduce((sum, { g, kind }) => sum + g * (1 - LIQUID_YIELD[kind]), 0)
  return stands ?? { freeWaterG: 0, otherG: restG, tempC: kitchen.roomC }
}

/** g of water that is free in the base before any is poured. */
export function freeWaterBeforeG(closing: Closing): number {
  const { before, pot } = closing
  const looseG = inBase(closing, 'added').reduce((sum, item) => sum + looseWaterG(item), 0)
  return looseG + (before ? before.freeWaterG : liquidBroughtG(pot.liquids) + stoodG(pot))
}

/**
 * What drinks from the base while it cooks, taken as one grain. Under pressure the drinking changes
 * nothing that matters, since water weighs on the pot whether free or held; in pots that boil open it
 * decides when they are dry.
 */
function grainOf(closing: Closing): { grain?: Grain } {
  if (holdsPressure(closing.pot.cooker.appliance)) return {}
  const drinking = inBase(closing).filter(({ food }) => food.soak !== null)
  if (drinking.length === 0) return {}
  const dryG = drinking.reduce((sum, item) => sum + item.dryG, 0)
  const share = (of: (item: PreparedFood) => number) => drinking.reduce((sum, item) => sum + of(item), 0) / dryG
  const insideG = share((item) => item.insideG)
  return {
    grain: {
      food: closing.pot.foods.indexOf(drinking[0]!),
      dryKg: dryG / 1000,
      uptakeMax: Math.max(
        share(({ uptakeG }) => uptakeG),
        insideG,
        closing.mostUptakePerG ?? 0,
      ),
      uptakeStart: insideG,
      tenderBoilMinutes: drinking[0]!.need.window.tender,
    },
  }
}

function loadOf(closing: Closing, pourG: number): Load {
  const { before, pot } = closing
  const { roomC, tapC, altitudeM } = pot.request.kitchen
  const { freeWaterG: stoodWaterG, otherG, tempC: stoodC } = standsIn(pot)
  const base = inBase(closing)
  const baseJPerK = base.reduce((sum, item) => sum + foodJPerK(item), 0) + otherG * FRESH_FOOD_J_PER_G_K
  const freeG = pourG + freeWaterBeforeG(closing)
  const waterJPerK = freeG * WATER_J_PER_G_K
  const metalJPerK = pot.cooker.appliance.metalKg * pot.cooker.appliance.metalJPerKgK
  const atRoomJPerK = baseJPerK + metalJPerK
  // What was fried in it before is as hot as the pot itself.
  const hotJPerK = pot.request.stands ? metalJPerK + otherG * FRESH_FOOD_J_PER_G_K + stoodWaterG * WATER_J_PER_G_K : 0
  const coldJPerK = base.reduce((sum, item) => sum + (isColdIn(closing, item) ? foodJPerK(item) : 0), 0)
  const allJPerK = waterJPerK + atRoomJPerK
  const pouredK = Math.min(pot.request.pourC ?? tapC, boilingC(altitudeM) - JUST_BELOW_K) - tapC
  return {
    freeWaterKg: freeG / 1000,
    foodJPerK: baseJPerK,
    startC: before
      ? before.tempC - ((before.tempC - roomC) * coldJPerK) / allJPerK
      : (waterJPerK * tapC +
          pouredK * pourG * WATER_J_PER_G_K +
          atRoomJPerK * roomC +
          (stoodC - roomC) * hotJPerK +
          (roomC - tapC) * stoodWaterG * WATER_J_PER_G_K) /
        allJPerK,
    vessels: tinsInside(closing).map((tin) => vesselOf(closing, tin)),
  }
}

function vesselOf(closing: Closing, place: number): VesselLoad {
  const { pot } = closing
  const tin = pot.tins[place]!
  const items = inTins(closing).filter((item) => item.tin === place)
  const waterG = items.reduce((sum, item) => sum + tinWaterG(item) + looseWaterG(item), 0)
  const radiusM = tin.diameterMm / 2000
  const floorM2 = Math.PI * radiusM * radiusM
  const volumeMl = levelMl(items.map(bulkBefore), waterG)
  const heightM = Math.min(volumeMl / 1e6 / floorM2, tin.heightMm / 1000)
  const wettedM2 = floorM2 + 2 * Math.PI * radiusM * heightM
  // What hinders the heat most decides for all that stands together.
  const perM2 = Math.min(...items.map(({ food }) => couplingOf(food)))
  return {
    heatJPerK: TIN_J_PER_K + items.reduce((sum, item) => sum + foodJPerK(item), 0) + waterG * WATER_J_PER_G_K,
    couplingWPerK: perM2 * wettedM2 * (tin.lid ? LID_TIMES_COUPLING : 1),
    ...(items.every((item) => isColdIn(closing, item)) ? { startC: pot.request.kitchen.roomC } : {}),
  }
}

const couplingOf = (food: Food): number =>
  setsAsGrain(food) ? COUPLING.grain : cooksCovered(food) ? COUPLING.watery : COUPLING.pieces
