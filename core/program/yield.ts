import { heatsItself, type Appliance } from '../appliance/appliance'
import type { Food } from '../food/food.schema'
import { uptakeFor } from '../food/texture'
import { CUP_ML } from '../measure/measure'
import type { Texture } from '../names'
import { heapMl } from '../water/volume'

/** g of a cooked food that one eats beside other things (engineering estimate). */
const PORTION_G = 180

/** What a food comes to when it is cooked. */
export interface Yield {
  cookedG: number
  /** Cups of 240 ml, fluffed or drained; null for what is counted in pieces. */
  cups: number | null
  portions: number
}

/** What so much of a food weighs and measures cooked, what stands around it not counted. */
export function yieldOf(food: Food, dryG: number, texture: Texture): Yield {
  const waterInsideG = dryG * uptakeFor(food, texture)
  const cookedG = dryG + waterInsideG
  const ml = heapMl({ food, dryG, texture, waterInsideG, isCooked: false })
  return {
    cookedG,
    cups: food.cupG === null ? null : ml / CUP_ML,
    portions: Math.max(1, Math.round(cookedG / PORTION_G)),
  }
}

/** Share of a gas flame's heat that gets into a pot, and of an electric cooker's current (engineering estimates). */
const GAS_EFFICIENCY = 0.5
const CURRENT_EFFICIENCY = 0.95
/** Lower heating value of bottled gas (propane and butane) in kJ per g. */
const GAS_KJ_PER_G = 46
const KJ_PER_WH = 3.6

/** What the heat of a pot costs: grams of bottled gas on a flame, watt-hours in what heats itself. */
export function fuelOf(
  energyKJ: number,
  appliance: Pick<Appliance, 'kind'>,
): { unit: 'gas' | 'current'; amount: number } {
  return heatsItself(appliance)
    ? { unit: 'current', amount: energyKJ / CURRENT_EFFICIENCY / KJ_PER_WH }
    : { unit: 'gas', amount: energyKJ / GAS_EFFICIENCY / GAS_KJ_PER_G }
}
