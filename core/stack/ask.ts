import type { Food, Soak } from '../food/food.schema'
import { USUAL_TRIVETS_MM } from '../pot/stacking'
import type { Content, PlanRequest, Tin } from '../program/request.schema'

/** A tin that is owned. */
export interface OwnedTin extends Required<Tin> {
  /** `lid` tells whether it has one of its own; foil covers the others. */
  id: string
}

/** A food that should share the run, and what about it is settled already. */
export interface StackFood extends Omit<Content, 'where'> {
  /** The search may soak it or not, and how long. */
  soakMayChange: boolean
  /** Where it must be: anywhere, in the base, in one tin, or in the tier at the top. */
  lock: 'any' | 'base' | 'top' | { tinId: string }
}

/** What is asked of the search: these foods, in one run of this pot, with these tins. */
export interface StackAsk extends Omit<PlanRequest, 'contents' | 'trivetMm' | 'given' | 'foods'> {
  foods: StackFood[]
  tins: OwnedTin[]
  trivetsMm?: readonly number[]
  /** The household's own foods, by id. */
  ownFoods?: Food[]
}

export const MOST_STACKED_FOODS = 5
export const MOST_STACKED_TINS = 8

export function trivetsOf({ trivetsMm }: StackAsk): readonly number[] {
  return trivetsMm && trivetsMm.length > 0 ? trivetsMm : USUAL_TRIVETS_MM
}

/** The ways in which the search may soak a food: as it is, or none, or as is usual. */
export function soakOptions(item: StackFood, food: Food, tapC: number): (Soak | null)[] {
  if (!item.soakMayChange || !food.soak || food.soak.dryPenalty === 0) return [item.soak]
  const cool = (hours: number): Soak => ({ hours, waterC: tapC, keepWater: false })
  const [from, to] = food.soak.adviceHours
  // Beans that carry lectin are soaked in any case: not soaking is no way to make things fit.
  const least = food.lectin ? [Math.max(from, 5), to] : [0, from, to]
  const hours = [...new Set(least.filter((one) => one <= 12))].sort((a, b) => a - b)
  return hours.map((one) => (one === 0 ? null : cool(one)))
}
