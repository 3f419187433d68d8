import type { Burner } from '../appliance/burner'
import type { Cooker } from '../appliance/appliance'
import { cooksCovered, setsAsGrain } from '../food/food'
import { FLAMES, type FlameName } from '../names'
import { ambientPa, latentJPerKg, saturationC } from '../steam/steam'
import { foodJPerK, WATER_J_PER_G_K } from './heat-capacity'
import type { PreparedFood } from './prepared'

/** How a cook sets a flame: pulses, beans and all else whistle about so often, grain cooked loose less often. */
const WHISTLES_EVERY_S = { usual: 150, grain: 240 } as const
/** Closer whistles nobody keeps count of (general kitchen practice). */
export const CLOSEST_COUNTED_S = 45
/** Of the water that becomes steam, what is still there on the whole (engineering estimate). */
const STEAM_G = 60

/** What stands in the base, and where. */
export interface LoadOnFlame {
  cooker: Cooker
  foods: readonly PreparedFood[]
  altitudeM: number
  roomC: number
}

/**
 * The flame that a cook counts whistles on: of a burner's settings the one on which this load of this pot whistles
 * nearest to every 2½ minutes, or 4 where grain cooks loose in it, and no closer than can be counted; the gentlest that
 * whistles at all where every one is too quick, high where none whistles.
 */
export function flameToCountOn(load: LoadOnFlame, burner: Burner): FlameName {
  const base = load.foods.filter(({ tin }) => tin === null)
  const isGrain = base.some(({ food }) => setsAsGrain(food)) && !base.some(({ food }) => cooksCovered(food))
  const wantedS = isGrain ? WHISTLES_EVERY_S.grain : WHISTLES_EVERY_S.usual
  const whistling = FLAMES.map((flame) => ({ flame, everyS: whistleEveryS(load, burner[flame]) })).filter(
    ({ everyS }) => Number.isFinite(everyS),
  )
  const countable = whistling.filter(({ everyS }) => everyS >= CLOSEST_COUNTED_S)
  const off = (everyS: number) => Math.abs(Math.log(everyS / wantedS))
  const [best] = countable.sort((a, b) => off(a.everyS) - off(b.everyS))
  return best?.flame ?? whistling.sort((a, b) => b.everyS - a.everyS)[0]?.flame ?? 'high'
}

/** A weight that whistles, and what a pot at its pressure loses in W without it: to the room, and past the gasket. */
function whistling({ cooker: { appliance }, altitudeM, roomC }: Omit<LoadOnFlame, 'foods'>) {
  if (!('reseatPa' in appliance)) return null
  const { lossWPerK, liftPa, reseatPa, leakKgPerS } = appliance
  const air = ambientPa(altitudeM)
  const [liftC, reseatC] = [saturationC(air + liftPa), saturationC(air + reseatPa)]
  const meanC = (liftC + reseatC) / 2
  const latent = latentJPerKg(meanC)
  const leakW = (leakKgPerS * latent * (liftPa + reseatPa)) / 2 / liftPa
  return { appliance, swingK: liftC - reseatC, latent, lostW: lossWPerK * (meanC - roomC) + leakW }
}

/**
 * Seconds from one whistle to the next with so much heat in W, once the pot is hot: it warms from where its weight falls
 * back to where it lifts by what the losses and the leak leave, and cools again through the vent. Infinity where the
 * losses take it all, or nothing whistles. Water as it will be with the foods cooked (engineering estimate).
 */
export function whistleEveryS(load: LoadOnFlame, heatW: number): number {
  const found = whistling(load)
  if (!found) return Infinity
  const { appliance, swingK, latent, lostW } = found
  const { metalKg, metalJPerKgK, ventKgPerS } = appliance
  const base = load.foods.filter(({ tin }) => tin === null)
  const sum = (of: (item: PreparedFood) => number) => base.reduce((total, item) => total + of(item), 0)
  const freeG = Math.max(load.cooker.body.minimumLiquidG, STEAM_G + sum(({ freeLiquidG }) => freeLiquidG))
  const foodsJPerK = sum((item) => foodJPerK(item, Math.max(item.uptakeG, item.insideG)))
  const warmJ = (metalKg * metalJPerKgK + foodsJPerK + WATER_J_PER_G_K * freeG) * swingK
  const overW = heatW - lostW
  const ventW = ventKgPerS * latent - overW
  if (overW <= 0) return Infinity
  return warmJ / overW + (ventW > 0 ? warmJ / ventW : Infinity)
}

/**
 * The heat in W with which a pot whistles so many times as often, of a flame that is set by its whistles: what it gives
 * off stays. Unchanged where nothing whistles, or the flame is too low for it.
 */
export function whistlingTimesW(load: Omit<LoadOnFlame, 'foods'>, heatW: number, times: number): number {
  const lostW = whistling(load)?.lostW ?? heatW
  return heatW > lostW ? lostW + (heatW - lostW) * times : heatW
}
