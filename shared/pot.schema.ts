import { z } from 'zod'
import { LENGTH, MOST } from '../core/bounds'
import { bounded } from '../core/fields.schema'
import { CUTS, FLAMES, LEVELS, STYLES, TEXTURES } from '../core/names'
import { FREE_LIQUIDS, LIQUID_KINDS } from '../core/water/liquids'
import type { DocumentKind } from './document'
import { CIRCUMSTANCES, SOAK_PLACES } from './names'
import { POT_FILE_SHAPE, POT_SHAPE } from './shapes'

/** A number as it is typed: it stays text until it is read. */
const typed = z.string().max(24)
/** An id of something of the household, or of a common measure; empty for none. */
const reference = z.string().max(40)
const perItem = <T extends z.ZodType>(schema: T) => z.array(schema).max(MOST.items)

const itemSchema = z.object({
  foodId: z.string().max(LENGTH.id),
  /** The bag it is taken from; empty for none in particular. */
  bagId: reference,
  amount: typed,
  /** `g`, `kg`, `oz`, the id of a common measure or of one of the household's. */
  unit: reference,
  soakHours: typed,
  soakIn: z.enum(SOAK_PLACES),
  keepWater: z.boolean(),
  soakWaterG: typed,
  texture: z.enum(TEXTURES),
  /** How its pieces are cut; as they usually are if left out. */
  cut: z.enum(CUTS).optional(),
  circumstances: z.array(z.enum(CIRCUMSTANCES)).max(CIRCUMSTANCES.length),
  /** The closing of the lid at which it goes in; 0 is the first. */
  joins: z
    .number()
    .int()
    .min(0)
    .max(MOST.closings - 1),
})

/** Where each item stands, when the pot is a stack of tins. */
const stackSchema = z.object({
  /** By item: 'base', a tin's id, or empty while it stands nowhere. */
  places: perItem(reference),
  /** By item: where the search must leave it. */
  locks: perItem(reference),
  /** By item: the search may soak it otherwise. */
  soakFree: perItem(z.boolean()),
  /** Tins from below, side by side in a tier. */
  tiers: z.array(z.array(reference).max(2)).max(6),
  /** The tins at the top are covered too. */
  topCovered: z.boolean(),
  trivetMm: bounded('trivetMm'),
})

/** A pot as a cook fills it in, kept as typed: the document that is saved, shared and exported. */
export const potSchema = z.object({
  shape: z.literal(POT_SHAPE),
  items: perItem(itemSchema).min(1),
  liquids: perItem(
    z.object({ kind: z.enum(LIQUID_KINDS), amount: typed, unit: reference, fried: z.boolean().optional() }),
  ),
  freeLiquid: z.enum(FREE_LIQUIDS),
  /** The water is poured boiling, from a kettle. */
  boilingWater: z.boolean().optional(),
  cookerId: reference,
  burnerId: reference,
  /** On which whistles are counted; null where it is set by how often the pot whistles. */
  flame: z.enum(FLAMES).nullable(),
  /** Until the first whistle; the same if left out, as in documents from before it could be told. */
  heatUp: z.enum(FLAMES).optional(),
  /** The style last used with each kind of appliance. */
  styles: z.partialRecord(z.string().max(20), z.enum(STYLES)),
  level: z.enum(LEVELS),
  /** By closing of the lid: what the cook takes instead of what was computed. */
  given: z.array(z.object({ pourG: z.number().nullable(), figure: z.number().nullable() })).max(MOST.closings),
  /** It is cooked in tins, as they were arranged; otherwise loose, and the arrangement is only remembered. */
  inTins: z.boolean(),
  stack: stackSchema.nullable(),
  /** When the soak was begun, in ms since 1970. */
  soakingSince: z.number().nullable(),
})
export type Pot = z.infer<typeof potSchema>

const potName = z.string().trim().min(1).max(LENGTH.potName)

/** A pot as the first shape had it, as far as it is read. */
interface FirstPot {
  items: object[]
  given: { pourG: number | null; figure: number | null }
  stack?: object | null
}

export const POT: DocumentKind<Pot> = {
  shape: POT_SHAPE,
  schema: potSchema,
  upgrades: [
    // What the cook gave was of the first closing only; a pot with a stack was one; later closings came in between.
    ({ given, stack = null, items, ...pot }: FirstPot) => ({
      ...pot,
      items: items.map((item) => ({ joins: 0, ...item })),
      given: given.pourG === null && given.figure === null ? [] : [given],
      inTins: stack !== null,
      stack,
      shape: 2,
    }),
  ],
}

/** A pot as a file. Foods of the household's own go with it; the cooker is named for whoever lacks it. */
export const potFileSchema = z.object({
  format: z.literal('bivvet-pot'),
  version: z.literal(POT_FILE_SHAPE),
  name: potName,
  pot: potSchema,
  foods: z
    .array(z.object({ id: z.uuid(), name: potName, basedOn: z.string().max(LENGTH.id), figures: z.unknown() }))
    .max(MOST.items),
  /** The household's own cups and bowls that it measures in, for whoever lacks them. */
  measures: z
    .array(z.object({ id: reference, name: z.string().max(LENGTH.name), volumeMl: bounded('measureMl') }))
    .max(MOST.measures)
    .optional(),
  cooker: z.object({ name: z.string().max(LENGTH.name), kind: z.string().max(20) }).nullable(),
})
export type PotFile = z.infer<typeof potFileSchema>

export const POT_FILE: DocumentKind<PotFile> = {
  shape: POT_FILE_SHAPE,
  schema: potFileSchema,
  upgrades: [({ pot, ...file }: { pot: FirstPot }) => ({ ...file, pot: POT.upgrades[0]!(pot as never), version: 2 })],
}
