import { z } from 'zod'
import { MOST } from '../core/bounds'
import { dishSchema } from '../core/dish/dish.schema'
import type { DocumentKind } from './document'
import { DISH_SHAPE } from './shapes'

/** A dish as a household keeps it; its pots are those of its kitchen, by their ids. */
export const keptDishSchema = dishSchema.extend({ shape: z.literal(DISH_SHAPE) })
export type KeptDishDocument = z.infer<typeof keptDishSchema>

export const DISH: DocumentKind<KeptDishDocument> = { shape: DISH_SHAPE, schema: keptDishSchema, upgrades: [] }

/** What is sent to keep a dish; the version is the one it was fetched with, 0 for a new one. */
export const saveDishSchema = z.object({
  version: z.number().int().min(0).max(MOST.versions),
  favourite: z.boolean(),
  dish: keptDishSchema,
})
export type SaveDish = z.infer<typeof saveDishSchema>
