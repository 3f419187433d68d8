import { DISH } from './dish.schema'
import type { DocumentKind } from './document'
import { KITCHEN } from './kitchen.schema'
import { MEAL } from './meal.schema'
import type { VERSIONED_KINDS } from './names'
import { PORTION } from './portion.schema'
import { POT } from './pot.schema'

export type VersionedKind = (typeof VERSIONED_KINDS)[number]

/** Every kind of document that a household changes. */
export const DOCUMENTS: Record<VersionedKind, DocumentKind<unknown>> = {
  kitchen: KITCHEN,
  pot: POT,
  dish: DISH,
  portion: PORTION,
  meal: MEAL,
}
