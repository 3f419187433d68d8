/** Something to measure with, by the volume it holds. */
export interface Measure {
  id: string
  volumeMl: number
}

/** Measures that every kitchen knows. A household adds its own cups and bowls. */
export const COMMON_MEASURES = {
  'cup-240': { id: 'cup-240', volumeMl: 240 },
  'cup-250': { id: 'cup-250', volumeMl: 250 },
  'cup-200': { id: 'cup-200', volumeMl: 200 },
  'rice-cup': { id: 'rice-cup', volumeMl: 180 },
  tbsp: { id: 'tbsp', volumeMl: 15 },
  tsp: { id: 'tsp', volumeMl: 5 },
  ml: { id: 'ml', volumeMl: 1 },
} as const satisfies Record<string, Measure>

/** Units of weight in g. An ounce is the avoirdupois ounce. */
export const WEIGHTS_G = { g: 1, kg: 1000, oz: 28.349523125 } as const
export type WeightUnit = keyof typeof WEIGHTS_G

/** The cup that the catalogue's figures are for. */
export const CUP_ML = 240

export function isWeight(unit: string): unit is WeightUnit {
  return Object.hasOwn(WEIGHTS_G, unit)
}

/**
 * Grams of a dry food in so many of a unit of weight or of a measure. NaN for a measure of a food
 * that is counted in pieces.
 * @example gramsOf(2, { id: 'cup-240', volumeMl: 240 }, basmati) // 370
 */
export function gramsOf(count: number, unit: WeightUnit | Measure, food: { cupG: number | null }): number {
  if (typeof unit === 'string') return count * WEIGHTS_G[unit]
  return food.cupG === null ? NaN : (count * unit.volumeMl * food.cupG) / CUP_ML
}
