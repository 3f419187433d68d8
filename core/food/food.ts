export const FOOD_GROUPS = [
  'rice',
  'millet',
  'grain',
  'dal',
  'pulse',
  'bean',
  'nut',
  'vegetable',
  'meat',
  'egg',
] as const
export type FoodGroup = (typeof FOOD_GROUPS)[number]

/** How a dry food takes up water before it is cooked. */
export interface SoakBehaviour {
  /** Hours at 25 °C to take up half of what it ever will. */
  halfHours: number
  /** g of water per g of dry food when fully soaked. */
  maxUptake: number
  /** Share by which a dry food needs longer than a fully soaked one. */
  dryPenalty: number
  /** The hours that cooks usually give it, from and to. */
  adviceHours: readonly [number, number]
}

/** Boil-minutes after which a fully soaked, fresh food is firm, tender or soft, and past which it is lost. */
export interface BoilMinuteWindow {
  firm: number
  tender: number
  soft: number
  max: number
}

/** How wildly it foams while it boils. */
export type Froth = 0 | 1 | 2

export interface Food {
  id: string
  name: string
  aliases: readonly string[]
  group: FoodGroup
  /** g of the dry food in a 240 ml cup; null for what is counted in pieces. */
  cupG: number | null
  sizeMm: number
  froth: Froth
  /** Carries phytohaemagglutinin: must be soaked, drained and boiled or pressure-cooked. */
  lectin: boolean
  soak: SoakBehaviour | null
  zC: number
  zAbove110C: number | null
  boilMinutes: BoilMinuteWindow
  /** g of water held per g of dry food when tender. */
  uptakeTender: number
  release: { kind: 'natural'; minutes: number } | { kind: 'quick' }
}

/** Grain sets: it takes up the water it is given, and its texture is how much that was. */
export function setsAsGrain(food: Food): boolean {
  return food.zAbove110C !== null
}

/** Pulses, beans, nuts and hominy: they cook in more water than they take up, and must be covered. */
export function cooksCovered(food: Food): boolean {
  return food.soak !== null && !setsAsGrain(food)
}

/** Foods that double in the pot and foam: the half line applies. */
export function swells(food: Food): boolean {
  return cooksCovered(food) || food.froth >= 1
}
