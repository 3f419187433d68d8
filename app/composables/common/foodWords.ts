import { cooksCovered, setsAsGrain } from '~~/core/food/food'
import type { MessageKey } from '~~/locales/bundles'
import type { Texture } from '~~/core/names'
import type { Food } from '~~/core/food/food.schema'

/** Which words a food's textures are told in: grain by water, pulses and the rest by cooking. */
export function textureFamily(food: Food): 'grain' | 'pulse' | 'other' {
  if (setsAsGrain(food)) return 'grain'
  return cooksCovered(food) ? 'pulse' : 'other'
}

/** Names of firm, tender and soft for a food's window. */
export function windowFamily(food: Food): 'pulse' | 'other' {
  return cooksCovered(food) ? 'pulse' : 'other'
}

type Family = 'grain' | 'pulse' | 'other'

/** A texture in the words of its family; every family has names for its own. */
export function textureName(t: (key: MessageKey) => string, family: Family, texture: Texture): string {
  return t(`pot.textures.${family}.${texture}` as MessageKey)
}

/** Names of the ends of a food's window. */
export function windowNames(t: (key: MessageKey) => string, food: Food | null | undefined) {
  const name = (texture: Texture) => textureName(t, food ? windowFamily(food) : 'other', texture)
  return { firm: name('firm'), tender: name('tender'), soft: name('soft') }
}
