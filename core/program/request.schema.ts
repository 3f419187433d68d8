import { z } from 'zod'
import { burnerSchema, cookerSchema } from '../appliance/appliance.schema'
import { releaseSchema } from '../appliance/step.schema'
import { styleSchema } from '../appliance/style.schema'
import { LENGTH, MOST } from '../bounds'
import { figure } from '../fields.schema'
import { foodSchema, soakSchema } from '../food/food.schema'
import { ADDITIONS, BATCHES, TEXTURES, TIN_MATERIALS } from '../names'
import { liquidSchema } from '../water/liquid.schema'
import { FREE_LIQUIDS } from '../water/liquids'

// Only the shape is checked here; core checks the figures and says what to do about them.

/** A vessel that stands in the pot. */
export const tinSchema = z.object({
  diameterMm: figure,
  heightMm: figure,
  /** Covered, by its lid or by foil. */
  lid: z.boolean(),
  /** What it holds to the brim; by its outer size if left out. */
  volumeMl: figure.optional(),
  material: z.enum(TIN_MATERIALS).optional(),
})
export type Tin = z.infer<typeof tinSchema>

/** A tin and its tier; foods of one bowl share a tin. */
export const inTinSchema = z.object({
  tin: tinSchema,
  tier: z.number().int().min(1).max(8),
  bowl: z.string().max(LENGTH.id).optional(),
})

/** A food that goes into the pot. */
export const contentSchema = z.object({
  food: z.string().max(LENGTH.id),
  dryG: figure,
  soak: soakSchema.nullable(),
  /** The food's usual texture if left out. */
  texture: z.enum(TEXTURES).optional(),
  where: z.union([z.literal('base'), inTinSchema]),
  /** Thickness of its pieces in mm; the food's usual one if left out. */
  sizeMm: figure.optional(),
  additions: z.array(z.enum(ADDITIONS)).max(10).optional(),
  batch: z.enum(BATCHES).optional(),
  /** Boil-minutes that it has had, and g of water that it holds, where it was cooked before. */
  had: z.object({ boilMinutes: figure, waterG: figure }).optional(),
  /** Which closing of the lid it goes in at: 0, if left out, from the start; 1 once it has been opened; and so on. */
  joins: z
    .number()
    .int()
    .min(0)
    .max(MOST.closings - 1)
    .optional(),
})
export type Content = z.infer<typeof contentSchema>

/** What the cook means to take at one closing of the lid instead of what is computed. */
const givenSchema = z.object({ pourG: figure.optional(), figure: figure.optional() })
export type Given = z.infer<typeof givenSchema>

/** What the household's log has taught, each a factor of what stands in the request. */
export const learntSchema = z.object({
  /** Heat into the pot by flame, or of a cooker that heats itself. */
  flames: burnerSchema.optional(),
  heat: figure.optional(),
  swing: figure.optional(),
  loss: figure.optional(),
  /** Steam that the cooker loses. */
  steam: figure.optional(),
  /** What its pressure makes of the need of all that is in it: a cooker that stays below what it says cooks longer. */
  needByPressure: figure.optional(),
  /** By content: what it needs, and what it drinks. */
  contents: z
    .array(z.object({ need: figure.optional(), uptake: figure.optional() }))
    .max(MOST.contents)
    .optional(),
})
export type LearntFactors = z.infer<typeof learntSchema>

/** What is asked of the planner: one load of one cooker. */
export const planRequestSchema = z.object({
  kitchen: z.object({ altitudeM: figure, roomC: figure, tapC: figure }),
  /** The id of a generic cooker, or a cooker of the household's own. */
  cooker: z.union([z.string().max(LENGTH.id), cookerSchema]),
  /** A generic burner, heat into the pot by flame, or the flames themselves and the burner's width. */
  burner: z
    .union([z.enum(['strong', 'weak']), burnerSchema, z.object({ diameterMm: figure, flameW: burnerSchema })])
    .optional(),
  contents: z.array(contentSchema).max(MOST.contents),
  /** Height of what the lowest tin stands on; a low trivet if left out. */
  trivetMm: figure.optional(),
  liquids: z.array(liquidSchema).max(MOST.liquids),
  /**
   * What the pot holds before anything of this goes in, after a fry, say: its free liquid, all else that stands in
   * it, how hot it is, and how much of it is sour.
   */
  stands: z.object({ freeWaterG: figure, otherG: figure, tempC: figure, sourG: figure.optional() }).optional(),
  freeLiquid: z.enum(FREE_LIQUIDS).optional(),
  /** How warm the water is that is poured into the cold pot: from a kettle, say; from the tap if left out. */
  pourC: figure.optional(),
  style: styleSchema,
  release: z.union([z.literal('auto'), releaseSchema]),
  /** By closing of the lid; then the answer tells what becomes of it. One alone is of the first. */
  given: z.preprocess(
    (value) => (value === undefined || Array.isArray(value) ? value : [value]),
    z.array(givenSchema).max(MOST.closings).optional(),
  ),
  /** One standard deviation of what is unknown, as a share, where something has been measured. */
  spread: z.object({ flame: figure.optional(), lift: figure.optional(), batch: figure.optional() }).optional(),
  learnt: learntSchema.optional(),
  /** The household's own foods, and its own figures for foods of the catalogue, by id. */
  foods: z.array(foodSchema).max(MOST.foods).optional(),
})
export type PlanRequest = z.infer<typeof planRequestSchema>
export type ReleaseChoice = PlanRequest['release']
