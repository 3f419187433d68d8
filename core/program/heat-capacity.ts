import type { PreparedFood } from './prepared'

export const WATER_J_PER_G_K = 4.22
const HELD_WATER_J_PER_G_K = 4.2
const DRY_FOOD_J_PER_G_K = 1.8
/** Fresh vegetables, meat and eggs are mostly water (engineering estimate). */
export const FRESH_FOOD_J_PER_G_K = 3.7

/** Heat capacity of a food in J/K with so much water inside it, in g: what it holds as it goes in, if left out. */
export function foodJPerK({ food, dryG, insideG }: PreparedFood, heldG = insideG): number {
  return dryG * (food.soak ? DRY_FOOD_J_PER_G_K : FRESH_FOOD_J_PER_G_K) + heldG * HELD_WATER_J_PER_G_K
}
