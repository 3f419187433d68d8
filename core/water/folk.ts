import { cooksCovered, setsAsGrain } from '../food/food'
import type { Food } from '../food/food.schema'
import { FREE_LIQUID, type FreeLiquid } from './liquids'

/** How cooks commonly set the water: so much per volume of dry food, or a finger over it. General kitchen practice. */
export type FolkRule = { id: 'per-volume'; times: number } | { id: 'finger' }

/** A finger's first joint, as cooks measure it over the grain (general kitchen practice). */
export const FINGER_MM = 20

/** The rules that are common for a kind of food. */
export function folkRulesFor(food: Food): FolkRule[] {
  const perVolume = setsAsGrain(food) ? [1, 1.5, 2] : cooksCovered(food) ? [2, 3, 4] : []
  return [...perVolume.map((times): FolkRule => ({ id: 'per-volume', times })), { id: 'finger' }]
}

/** What becomes of a food with so much water: how it comes out, in words that need no figures. */
export type WaterFate = 'scorches' | 'dry' | 'separate' | 'soft' | 'sticky' | 'porridge' | FreeLiquid

/** Grain by g of water for each g of dry grain, against what is tender. Bounds lie halfway between the textures. */
export function grainFate(tenderPerG: number, waterPerG: number): WaterFate {
  const share = waterPerG / tenderPerG
  if (share < 0.6) return 'scorches'
  if (share < 0.8) return 'dry'
  if (share < 1.02) return 'separate'
  if (share < 1.27) return 'soft'
  return share < 1.9 ? 'sticky' : 'porridge'
}

/** Pulses by g of liquid left around each g of dry pulses. Bounds lie halfway between the consistencies. */
export function pulseFate(freePerG: number): WaterFate {
  if (freePerG < 0) return 'scorches'
  const steps = Object.entries(FREE_LIQUID) as [FreeLiquid, number][]
  const nearest = steps.reduce((best, step) =>
    Math.abs(step[1] - freePerG) < Math.abs(best[1] - freePerG) ? step : best,
  )
  return nearest[0]
}
