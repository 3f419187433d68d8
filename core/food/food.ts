import type { Food } from './food.schema'

/** Grain sets: it takes up the water it is given, and its texture is how much that was. */
export function setsAsGrain(food: Food): boolean {
  return food.zAbove110C !== null
}

/** Pulses, beans, nuts and hominy: they cook in more water than they take up, and must be covered. */
export function cooksCovered(food: Food): boolean {
  return food.soak !== null && !setsAsGrain(food)
}

/** What is asked how much liquid stands around it when it is done: what cooks covered, and meat for its broth or gravy. */
export function standsInLiquid(food: Food): boolean {
  return cooksCovered(food) || food.group === 'meat'
}

/** Foods that double in the pot and foam: the half line applies. */
export function swells(food: Food): boolean {
  return cooksCovered(food) || food.froth >= 1
}
