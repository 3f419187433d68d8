import type { Bulk } from '../water/volume'
import type { PreparedFood } from './prepared'

/** A food as it stands in the pot when it goes in. */
export function bulkBefore({ food, dryG, texture, insideG }: PreparedFood): Bulk {
  return { food, dryG, texture, waterInsideG: insideG, isCooked: false }
}

/** A food as it stands in the pot when it is done. */
export function bulkAfter({ food, dryG, texture, uptakeG }: PreparedFood): Bulk {
  return { food, dryG, texture, waterInsideG: uptakeG, isCooked: true }
}
