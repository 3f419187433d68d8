import type { Food, Soak } from './food.schema'

/** Hours in which hot soaking water comes most of the way to the room's temperature (engineering estimate). */
const COOLING_HOURS = 1.5
/** A soak this cold stands in the fridge and stays cold. */
const FRIDGE_C = 10
/** Soaking goes this much faster for every 10 K more (engineering estimate). */
const FASTER_PER_10_K = 1.75
/**
 * Hotter than this it goes no faster: cooks take an hour in water that has just boiled for a night in cold water
 * (general kitchen practice).
 */
const FASTEST_C = 57
/** g of water on the surface of each g of dry food after draining (engineering estimate). */
const SURFACE_WATER = 0.1
/** The longest step of the quadrature below. */
const STEP_HOURS = 0.05

/** The water's temperature after some hours of soaking in a room. */
export function soakWaterC(soak: Soak, roomC: number, hours: number): number {
  if (soak.waterC <= FRIDGE_C) return soak.waterC
  return roomC + (soak.waterC - roomC) * Math.exp(-hours / COOLING_HOURS)
}

/**
 * How far a food is soaked, from 0 (dry) to 1: t/(t + half) with t counted in hours at 25 °C.
 * Source of the form and the temperature factor: engineering estimate.
 */
export function soakedShare(food: Food, soak: Soak | null, roomC: number): number {
  if (!soak || !food.soak || soak.hours <= 0) return 0
  const steps = Math.ceil(Math.min(soak.hours, 12) / STEP_HOURS)
  const stepHours = soak.hours / steps
  let hoursAt25 = 0
  for (let i = 0; i < steps; i++) {
    const tempC = soakWaterC(soak, roomC, (i + 0.5) * stepHours)
    hoursAt25 += stepHours * Math.pow(FASTER_PER_10_K, (Math.min(tempC, FASTEST_C) - 25) / 10)
  }
  return hoursAt25 / (hoursAt25 + food.soak.halfHours)
}

/**
 * How far a soak has come on the way to the shortest that is advised for the food in water at 25 °C, from 0 to 1: the
 * last of what it could still take up takes days and is waited for by nobody.
 */
export function soakedAsAdvised(food: Food, share: number): number {
  if (!food.soak) return 0
  const [hours] = food.soak.adviceHours
  const enough = hours / (hours + food.soak.halfHours)
  return share > 0 && share < enough ? share / enough : Number(share > 0)
}

/** g of water inside each g of dry food after soaking. */
export function soakUptake(food: Food, share: number): number {
  return food.soak ? share * food.soak.maxUptake : 0
}

/** g of water that each g of dry food brings into the pot after a soak that was drained. */
export function heldAfterDraining(food: Food, share: number): number {
  return share > 0 ? soakUptake(food, share) + SURFACE_WATER : 0
}
