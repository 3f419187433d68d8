import type { FoodGroup } from '../food/food.schema'
import type { Figure } from './figure'

/** What the need of a food is made of, besides what is assumed of it. */
export function doneTerms({ foodId, group }: { foodId: string; group: FoodGroup }, bagId: string | null): Figure[] {
  return [
    ...(bagId === null ? [] : [{ kind: 'batch', bagId } as const]),
    { kind: 'need', foodId },
    { kind: 'group-taste', group },
    { kind: 'taste' },
  ]
}
