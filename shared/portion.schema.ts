import { z } from 'zod'
import { LENGTH } from '../core/bounds'
import { bounded, figure } from '../core/fields.schema'
import type { DocumentKind } from './document'
import { KEEPING_PLACES } from '../core/names'
import { PORTION_SHAPE } from './shapes'

const day = z.iso.date()

/** Something that was cooked and is kept: where, how much, since when, until when, and what it is as an ingredient. */
export const portionSchema = z.object({
  shape: z.literal(PORTION_SHAPE),
  name: z.string().trim().min(1).max(LENGTH.potName),
  place: z.enum(KEEPING_PLACES),
  keptOn: day,
  until: day,
  /** It was frozen, and lies in the fridge since then. */
  thawedOn: day.optional(),
  /** How many are left, and what each weighs. */
  left: z.number().int().min(0).max(100),
  portionG: bounded('portionG'),
  /** The one food that it is; null for a dish of several. */
  food: z.object({ id: z.string().max(LENGTH.id), dryShare: bounded('share'), boilMinutes: figure.min(0) }).nullable(),
  water: bounded('share'),
  salt: bounded('share'),
  fat: bounded('share'),
  hasRice: z.literal(true).optional(),
  dishId: z.uuid().nullable(),
})
export type Portion = z.infer<typeof portionSchema>

export const PORTION: DocumentKind<Portion> = { shape: PORTION_SHAPE, schema: portionSchema, upgrades: [] }
