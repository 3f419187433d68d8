import { cooksCovered, setsAsGrain } from '../food/food'
import type { Food } from '../food/food.schema'
import { uptakeFor, type GrainVessel } from '../food/texture'
import type { Texture } from '../names'
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

/**
 * Grain by g of water that each g of it has drunk. Bounds lie halfway between the textures, but that grain from
 * a pot is sticky only when it is nearly at the figure of sticky rice (engineering estimate).
 */
export function grainFate(food: Food, vessel: GrainVessel, drunkPerG: number): WaterFate {
  const at = (texture: Texture) => uptakeFor(food, texture, vessel)
  const between = (less: Texture, more: Texture, share: number) => at(less) + share * (at(more) - at(less))
  if (drunkPerG < at('separate') * 0.67) return 'scorches'
  if (drunkPerG < at('separate') * 0.89) return 'dry'
  if (drunkPerG < between('separate', 'soft', 0.5)) return 'separate'
  if (drunkPerG < between('soft', 'sticky', vessel === 'pot' ? 0.8 : 0.5)) return 'soft'
  return drunkPerG < between('sticky', 'porridge-thick', 0.5) ? 'sticky' : 'porridge'
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
