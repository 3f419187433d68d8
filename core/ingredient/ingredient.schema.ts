import { z } from 'zod'
import { LENGTH } from '../bounds'
import { bounded } from '../fields.schema'
import { LIQUID_KINDS } from '../water/liquids'
import { STAND_INS } from './stand-ins'

/** Something that is cooked with, besides the foods that decide how long. Shares are of its weight as it goes in. */
export const ingredientSchema = z.object({
  id: z.string().min(1).max(LENGTH.id),
  /** What its household calls it; those of the table have their names in the message files. */
  name: z.string().min(1).max(LENGTH.name).optional(),
  /** What can stand in for what. */
  group: z.enum(STAND_INS),
  /** How it gives liquid to a pot; null for what gives none. */
  liquid: z.enum(LIQUID_KINDS).nullable(),
  water: bounded('share'),
  salt: bounded('share'),
  fat: bounded('share'),
  /** Sour enough to keep pulses hard. */
  sour: z.boolean(),
  /** g in a 240 ml cup; null for what is never measured so. */
  cupG: bounded('ingredientCupG').nullable(),
  /** g of one middling piece, clove or sprig; null for what is not counted. */
  pieceG: bounded('ingredientPieceG').nullable(),
  /** Cooked before, with rice in it. */
  hasRice: z.literal(true).optional(),
})
export type Ingredient = z.infer<typeof ingredientSchema>
