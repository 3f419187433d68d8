import type { Food } from './food.schema'

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
