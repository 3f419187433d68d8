import { setsAsGrain } from '../food/food'
import type { Food } from '../food/food.schema'
import { CUP_ML } from '../measure/measure'
import type { Texture } from '../names'

/** Density of dry starch and protein (engineering estimate). */
const SOLID_G_PER_ML = 1.35
/** Share of a heap of swollen pieces that is pieces and not gaps (engineering estimate, random packing). */
const PACKING = 0.62
/** The same of grain as it stands cooked and unstirred: a cup of white rice fills about 2½, and 3 when it is fluffed (engineering estimate). */
const SETTLED_PACKING = 0.75
/** Bulk density of what is counted in pieces and has no cup figure (engineering estimate). */
const PIECES_G_PER_ML = 0.6
const FROTH_TIMES = [1, 1.15, 1.35] as const

export interface Bulk {
  food: Food
  dryG: number
  texture: Texture
  /** g of water inside the food at this moment. */
  waterInsideG: number
  isCooked: boolean
}

/** Volume in ml of the food itself, without the gaps between its pieces. */
export function solidMl({ food, dryG, waterInsideG }: Bulk): number {
  return (food.soak ? dryG / SOLID_G_PER_ML : dryG) + waterInsideG
}

/** Volume in ml of the heap that the food makes, gaps included. */
export function heapMl(bulk: Bulk): number {
  const { food, dryG, texture, waterInsideG, isCooked } = bulk
  if (waterInsideG === 0) return (dryG * CUP_ML) / (food.cupG ?? PIECES_G_PER_ML * CUP_ML)
  const fallsApart = texture === 'mashed' || texture === 'porridge-thick' || texture === 'porridge-pourable'
  return solidMl(bulk) / (fallsApart ? 1 : isCooked && setsAsGrain(food) ? SETTLED_PACKING : PACKING)
}

/** How high heaps and liquid together stand, in ml: the liquid fills the gaps first. */
export function levelMl(bulks: readonly Bulk[], liquidMl: number): number {
  const heap = bulks.reduce((sum, bulk) => sum + heapMl(bulk), 0)
  const packed = bulks.reduce((sum, bulk) => sum + solidMl(bulk), 0) + liquidMl
  return Math.max(heap, packed)
}

/** How much the foam of the liveliest food adds to the level. */
export function frothTimes(foods: readonly Food[]): number {
  return FROTH_TIMES[Math.max(0, ...foods.map((food) => food.froth)) as 0 | 1 | 2]
}

/** °C of water that is poured from a kettle that has just boiled (engineering estimate). */
export const KETTLE_C = 95

/** A finger's breadth: how far food that must be covered is covered (engineering estimate). */
const COVER_MM = 10

/** ml of liquid that stand so high over the heap in a pot of that diameter. */
export function coveringMl(bulks: readonly Bulk[], innerDiameterMm: number, overMm = COVER_MM): number {
  const heap = bulks.reduce((sum, bulk) => sum + heapMl(bulk), 0)
  const packed = bulks.reduce((sum, bulk) => sum + solidMl(bulk), 0)
  const radiusCm = innerDiameterMm / 20
  return heap - packed + Math.PI * radiusCm * radiusCm * (overMm / 10)
}

/** How high the liquid alone stands, in ml of pot: in the gaps of the heap, or above it. */
export function liquidLineMl(bulks: readonly Bulk[], liquidMl: number): number {
  const heap = bulks.reduce((sum, bulk) => sum + heapMl(bulk), 0)
  const packed = bulks.reduce((sum, bulk) => sum + solidMl(bulk), 0)
  const gaps = heap - packed
  return liquidMl >= gaps ? packed + liquidMl : (heap * liquidMl) / gaps
}

/** ml of liquid with which it stands at a line, in a heap of which so much is solid; the inverse of liquidLineMl. */
export function liquidForLineMl(lineMl: number, heapMl: number, solidMl: number): number {
  return lineMl >= heapMl ? lineMl - solidMl : (lineMl * (heapMl - solidMl)) / heapMl
}
