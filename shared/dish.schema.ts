import { z } from 'zod'
import { LENGTH, MOST } from '../core/bounds'
import { dishSchema } from '../core/dish/dish.schema'
import { moment } from '../core/fields.schema'
import type { DocumentKind } from './document'
import { DISH_SHAPE } from './shapes'

/** A dish as a household keeps it; its pots are those of its kitchen, by their ids. */
export const keptDishSchema = dishSchema.extend({ shape: z.literal(DISH_SHAPE) })
export type KeptDishDocument = z.infer<typeof keptDishSchema>

export const DISH: DocumentKind<KeptDishDocument> = { shape: DISH_SHAPE, schema: keptDishSchema, upgrades: [] }

/** A stage of the dish, or a line of it. */
const part = z
  .string()
  .min(1)
  .max(LENGTH.id + 8)
const MOST_PARTS = MOST.dishStages + MOST.dishLines
const ofParts = <Value extends z.ZodType>(value: Value) =>
  z.record(part, value).refine((all) => Object.keys(all).length <= MOST_PARTS, {
    params: { code: 'too-many', max: MOST_PARTS },
  })

/** How far a dish has been cooked. */
export const begunDishSchema = z.object({
  /** The stage it is at, by its place. */
  at: z.number().int().min(0).max(MOST.dishStages),
  /** When the clock of a stage was started, and when what a line needs was taken out; in ms since 1970. */
  clocks: ofParts(moment),
  /** The runs of its pot stages. */
  runs: ofParts(z.uuid()),
})
export type BegunDish = z.infer<typeof begunDishSchema>

/** What a device says of it: only what it has done itself, so that two that cook together do not undo each other. */
export const sayBegunSchema = begunDishSchema.partial()
export type SayBegun = z.infer<typeof sayBegunSchema>
