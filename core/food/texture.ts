import { GRAIN_TEXTURES, OTHER_TEXTURES, PULSE_TEXTURES, type Texture } from '../names'
import { cooksCovered, setsAsGrain } from './food'
import type { BoilMinuteWindow, Food } from './food.schema'

/** Boil-minutes beyond `soft` at which a pulse or a vegetable falls apart under a spoon (engineering estimate). */
const MASHED_TIMES_SOFT = 1.25

/** In what grain cooks: its textures ask for other water in a rice cooker's ordinary cycle than in a pot. */
export type GrainVessel = 'pot' | 'rice-cooker'
type GrainTexture = (typeof GRAIN_TEXTURES)[number]

/**
 * Multiples of uptakeTender. In a pot: general kitchen practice. In a rice cooker: the makers' marks are for 1.1 to 1.25
 * times the rice by volume, whatever white rice it is (rice.test.ts; engineering estimate).
 */
const GRAIN_UPTAKE: Record<GrainVessel, Record<GrainTexture, number>> = {
  pot: { separate: 0.9, soft: 1.15, sticky: 1.4, 'porridge-thick': 2.4, 'porridge-pourable': 3.5 },
  'rice-cooker': { separate: 0.54, soft: 0.62, sticky: 0.68, 'porridge-thick': 1.44, 'porridge-pourable': 2.1 },
}
/**
 * Rice that clings by its own starch is sticky with as much water as other rice takes to be separate: cooked, short
 * grain weighs 2.2 to 2.6 times what it did (general kitchen practice; multiples of uptakeTender, engineering estimate).
 */
const CLINGING: ReadonlySet<string> = new Set(['short-white', 'glutinous'])
const CLINGING_UPTAKE: Record<GrainTexture, number> = { ...GRAIN_UPTAKE.pot, separate: 0.75, soft: 0.82, sticky: 0.9 }

/** Grain goes on drinking by so many multiples for each doubling of its boil-minutes (engineering estimate). */
const UPTAKE_A_DOUBLING: Record<GrainVessel, number> = { pot: 0.9, 'rice-cooker': 0.54 }

/** The textures this food can be asked for, in order of more cooking or more water. */
export function texturesOf(food: Food): readonly Texture[] {
  if (setsAsGrain(food)) return GRAIN_TEXTURES
  return cooksCovered(food) || food.group === 'vegetable' ? PULSE_TEXTURES : OTHER_TEXTURES
}

/** Grains that are not eaten as separate ones (general kitchen practice). */
const AS_EATEN: Readonly<Record<string, Texture>> = {
  glutinous: 'sticky',
  'short-white': 'sticky',
  'risotto-white': 'soft',
}

/** The texture asked for when nobody said: separate grain or as its kind is eaten, tender pulses, soft dals. */
export function usualTexture(food: Food): Texture {
  if (AS_EATEN[food.id]) return AS_EATEN[food.id]!
  if (setsAsGrain(food)) return 'separate'
  return food.group === 'dal' ? 'soft' : 'tender'
}

/** g of water per g of dry food that gives the texture. */
export function uptakeFor(food: Food, texture: Texture, vessel: GrainVessel = 'pot'): number {
  if (!setsAsGrain(food)) return food.uptakeTender
  const times = vessel === 'pot' && CLINGING.has(food.id) ? CLINGING_UPTAKE : GRAIN_UPTAKE[vessel]
  return food.uptakeTender * (times[texture as GrainTexture] ?? 1)
}

/**
 * The most water in g per g of dry grain that grain drinks of what is there, with `doseShare` of the boil-minutes with
 * which it is tender (engineering estimate).
 */
export function mostUptake(food: Food, doseShare: number, vessel: GrainVessel): number {
  const times = GRAIN_UPTAKE[vessel]
  const drinks = times.sticky + UPTAKE_A_DOUBLING[vessel] * Math.log2(Math.max(1, doseShare))
  return food.uptakeTender * Math.min(times['porridge-pourable'], drinks)
}

/** Boil-minutes the texture asks of a fully soaked, fresh food. */
export function boilMinutesFor(food: Food, texture: Texture): number {
  const window: BoilMinuteWindow = food.boilMinutes
  switch (texture) {
    case 'firm':
      return window.firm
    case 'tender':
    case 'separate':
      return window.tender
    case 'mashed':
      return Math.min(window.soft * MASHED_TIMES_SOFT, window.max)
    // Neither asks clinging rice to be overcooked.
    case 'soft':
    case 'sticky':
      return CLINGING.has(food.id) ? (window.tender + window.soft) / 2 : window.soft
    default:
      return window.soft
  }
}
