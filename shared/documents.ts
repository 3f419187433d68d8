import { z } from 'zod'
import { LENGTH, MOST } from '../core/bounds'
import { DISH, type KeptDishDocument } from './dish.schema'
import type { DocumentKind, ToSave } from './document'
import { KITCHEN, type Kitchen } from './kitchen.schema'
import { MEAL, type Meal } from './meal.schema'
import type { KeptKind } from './names'
import { PORTION, type Portion } from './portion.schema'
import { POT, type Pot } from './pot.schema'

/** What a household keeps, by kind. */
export interface Contents {
  kitchen: Kitchen
  pot: Pot
  dish: KeptDishDocument
  portion: Portion
  meal: Meal
}

/** Every kind of document that a household keeps and changes. */
export const DOCUMENTS: { [Kind in KeptKind]: DocumentKind<Contents[Kind]> } = {
  kitchen: KITCHEN,
  pot: POT,
  dish: DISH,
  portion: PORTION,
  meal: MEAL,
}

/** What a document is called in lists; a pot is called as its cook says. */
const NAME_OF: { [Kind in KeptKind]?: (content: Contents[Kind]) => string } = {
  kitchen: ({ name }) => name,
  dish: ({ name }) => name,
  portion: ({ name }) => name,
  meal: ({ dishes }) => dishes.map(({ dish }) => dish.name).join(', '),
}

export function nameOf<Kind extends KeptKind>(kind: Kind, { name, content }: ToSave<Contents[Kind]>): string {
  return (NAME_OF[kind]?.(content) ?? name ?? '').slice(0, LENGTH.potName)
}

const potName = z.string().trim().min(1).max(LENGTH.potName)

/** What is sent to keep a document of a kind. */
export const saveSchema = <Kind extends KeptKind>(kind: Kind) =>
  z.object({
    version: z.number().int().min(0).max(MOST.versions),
    favourite: z.boolean().optional(),
    name: NAME_OF[kind] ? potName.optional() : potName,
    content: DOCUMENTS[kind].schema as z.ZodType<Contents[Kind]>,
  })
