import { GRAIN_TEXTURES, OTHER_TEXTURES, PULSE_TEXTURES, type Texture } from '../names'
import { cooksCovered, setsAsGrain } from './food'
import type { BoilMinuteWindow, Food } from './food.schema'

/** Boil-minutes beyond `soft` at which a pulse falls apart under a spoon (engineering estimate). */
const MASHED_TIMES_SOFT = 1.25

// Multiples of uptakeTender: general kitchen practice.
const GRAIN_UPTAKE: Record<(typeof GRAIN_TEXTURES)[number], number> = {
  separate: 0.9,
  soft: 1.15,
  sticky: 1.4,
  'porridge-thick': 2.4,
  'porridge-pourable': 3.5,
}

/** The textures this food can be asked for, in order of more cooking or more water. */
export function texturesOf(food: Food): readonly Texture[] {
  if (setsAsGrain(food)) return GRAIN_TEXTURES
  return cooksCovered(food) ? PULSE_TEXTURES : OTHER_TEXTURES
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
export function uptakeFor(food: Food, texture: Texture): number {
  if (!setsAsGrain(food)) return food.uptakeTender
  return food.uptakeTender * (GRAIN_UPTAKE[texture as keyof typeof GRAIN_UPTAKE] ?? 1)
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
    default:
      return window.soft
  }
}
