import { cooksCovered, setsAsGrain, type Food } from '~~/core/food/food'

/** Which words a food's textures are told in: grain by water, pulses and the rest by cooking. */
export function textureFamily(food: Food): 'grain' | 'pulse' | 'other' {
  if (setsAsGrain(food)) return 'grain'
  return cooksCovered(food) ? 'pulse' : 'other'
}

/** Names of firm, tender and soft for a food's window. */
export function windowFamily(food: Food): 'pulse' | 'other' {
  return cooksCovered(food) ? 'pulse' : 'other'
}
