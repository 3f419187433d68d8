import { z } from 'zod'
import { burnerSchema, cookerSchema } from '../appliance/appliance.schema'
import { LENGTH, MOST } from '../bounds'
import { bounded, figure } from '../fields.schema'
import { foodSchema } from '../food/food.schema'
import { ingredientSchema } from '../ingredient/ingredient.schema'
import { FLAMES, LEVELS, STYLES, TEXTURES } from '../names'
import { inTinSchema, learntSchema } from '../program/request.schema'
import { FREE_LIQUIDS } from '../water/liquids'
import { CONSISTENCIES, REMINDERS, STAGE_KINDS, VESSELS } from './names'

const id = z.string().min(1).max(LENGTH.id)

/** An ingredient as it was typed, and what was understood of it. */
const lineSchema = z.object({
  id,
  typed: z.string().max(LENGTH.line),
  /** A food of the catalogue, an ingredient, or one of the household's own; null while nobody has said. */
  what: z.string().max(LENGTH.id).nullable(),
  /** What it might be, where only some of its words are a name: it is asked about. */
  maybe: z.string().max(LENGTH.id).optional(),
  /** Weight in all; null where it is not measured: a pinch, a leaf, to taste. */
  g: bounded('lineG').nullable(),
  /** Cooked before and kept: how much water each gram holds of it, and what it has had. */
  kept: z
    .object({
      /** g of the dry food in it. */
      dryG: bounded('lineG'),
      boilMinutes: figure.min(0),
      saltG: figure.min(0),
    })
    .optional(),
  /** Something cooked before that is no single food: its own figures, which go with the line. */
  own: ingredientSchema.optional(),
  /** What was kept that it is taken from, or the dish that it is made as. */
  portionId: id.optional(),
  dishId: id.optional(),
})
export type DishLine = z.infer<typeof lineSchema>

/** So much of a line goes in here; all that no other stage takes of it if left out. */
const takeSchema = z.object({
  line: id,
  g: bounded('lineG').optional(),
  /** Minute of the stage at which it goes in; with the first if left out. */
  atMinute: bounded('stageMinutes').optional(),
})
export type Take = z.infer<typeof takeSchema>

/** What is to be done with the spoon or the eye at a minute of a stage. */
const reminderSchema = z.object({ atMinute: bounded('stageMinutes'), do: z.enum(REMINDERS) })
export type Reminder = z.infer<typeof reminderSchema>

/** What another stage leaves: all of it, or so much of the liquid or the fat that it kept aside. */
const fromSchema = z.object({
  stage: id,
  part: z.enum(['all', 'liquid', 'fat']),
  g: bounded('lineG').optional(),
})

/** How a food of a pot stage is to come out, where it stands, and when it goes in. */
const potFoodSchema = z.object({
  line: id,
  texture: z.enum(TEXTURES).optional(),
  sizeMm: bounded('sizeMm').optional(),
  where: z.union([z.literal('base'), inTinSchema]).optional(),
  old: z.boolean().optional(),
  joins: z
    .number()
    .int()
    .min(0)
    .max(MOST.closings - 1)
    .optional(),
})

/** The figure of a recipe for its own pot. */
export const writtenFigureSchema = z.object({
  kind: z.enum(['whistles', 'high-pressure', 'low-pressure', 'simmer', 'slow']),
  figure: bounded('figure'),
  release: z.enum(['natural', 'quick']).nullable(),
  releaseAfterMinutes: bounded('releaseMinutes').nullable(),
  /** Of whistles on high: minutes on low after them. */
  thenLowMinutes: bounded('figure').optional(),
})
export type WrittenFigure = z.infer<typeof writtenFigureSchema>

/** How one closing of a cooker is programmed; the cooker itself is the kitchen's, by its id. */
const potSettingsSchema = z.object({
  cookerId: z.string().max(LENGTH.id),
  burnerId: z.string().max(LENGTH.id),
  style: z.enum(STYLES),
  /** On which whistles are counted; null where it is set by how often the pot whistles. */
  flame: z.enum(FLAMES).nullable(),
  /** Until the first whistle; the same if left out, as in documents from before it could be told. */
  heatUp: z.enum(FLAMES).optional(),
  level: z.enum(LEVELS),
  freeLiquid: z.enum(FREE_LIQUIDS),
  /** The water is poured boiling, from a kettle. */
  boilingWater: z.boolean().optional(),
  foods: z.array(potFoodSchema).max(MOST.contents),
  /** What the recipe it came from says, for another kitchen's pot. */
  written: writtenFigureSchema.optional(),
  /** A device of its own heat keeps it warm for so long before it is opened. */
  keepWarmMinutes: bounded('stageMinutes').optional(),
  /** Water that the cook pours instead of what is computed. */
  pourG: bounded('liquidG').optional(),
  /** Whistles or minutes that the cook gives instead of what is computed. */
  figure: bounded('figure').optional(),
})
export type PotSettings = z.infer<typeof potSettingsSchema>

/** One thing that is done. What a kind does not use is left out. */
export const stageSchema = z.object({
  id,
  kind: z.enum(STAGE_KINDS),
  takes: z.array(takeSchema).max(MOST.dishLines),
  from: z.array(fromSchema).max(MOST.dishStages),
  vessel: z.enum(VESSELS).optional(),
  minutes: bounded('stageMinutes').optional(),
  handsMinutes: bounded('handsMinutes').optional(),
  /** Until when, and what to see to, in the cook's words. */
  until: z.string().max(LENGTH.until).optional(),
  /** What to see to meanwhile. */
  reminders: z.array(reminderSchema).max(MOST.reminders).optional(),
  /** Water that is poured here; a pot works out its own. */
  waterG: bounded('liquidG').optional(),
  /** Of a soak: how warm its water is, and whether it is cooked in. */
  waterC: bounded('soakWaterC').optional(),
  keepWater: z.boolean().optional(),
  /** It is cooked in the water of this stage alone, which is worked out for that (core/dish/measured-water). */
  measured: z.boolean().optional(),
  /** Of what stands on a flame. */
  flame: z.enum(FLAMES).optional(),
  lid: z.boolean().optional(),
  /** g of the liquid that are kept aside when it is done; all of it where it is drained and this is left out. */
  keepsG: bounded('liquidG').optional(),
  /** g of its fat that are kept aside when it is done. */
  keepsFatG: bounded('liquidG').optional(),
  /** Of what is mashed: so much of it; all if left out. */
  mashesShare: bounded('share').optional(),
  /** Of what is drained: the liquid is thrown away. */
  throwsLiquid: z.boolean().optional(),
  /** A spice pouch is taken out here. */
  takesOutPouch: z.boolean().optional(),
  pot: potSettingsSchema.optional(),
})
export type Stage = z.infer<typeof stageSchema>

export const dishSchema = z.object({
  name: z.string().trim().min(1).max(LENGTH.potName),
  servings: bounded('servings'),
  note: z.string().max(LENGTH.note).optional(),
  /** How it is to come out; as it does if left out. */
  wanted: z.enum(CONSISTENCIES).optional(),
  lines: z.array(lineSchema).max(MOST.dishLines),
  stages: z.array(stageSchema).max(MOST.dishStages),
})
export type Dish = z.infer<typeof dishSchema>

/** The pot of a stage: a generic one by its id, or one of the household's. */
const potOfStageSchema = z.object({
  cooker: z.union([z.string().max(LENGTH.id), cookerSchema]),
  burner: z
    .union([z.enum(['strong', 'weak']), burnerSchema, z.object({ diameterMm: figure, flameW: burnerSchema })])
    .optional(),
  heatSpread: bounded('share').optional(),
  /** What the household's log has taught of them. */
  learnt: learntSchema.omit({ contents: true }).optional(),
})
export type PotOfStage = z.infer<typeof potOfStageSchema>

/** A dish with the kitchen that it is cooked in. */
export const dishRequestSchema = z.object({
  kitchen: z.object({ altitudeM: figure, roomC: figure, tapC: figure, hardWater: z.boolean().optional() }),
  /** By stage; where one has none, this. */
  pots: z.record(z.string().max(LENGTH.id), potOfStageSchema).optional(),
  pot: potOfStageSchema,
  dish: dishSchema,
  foods: z.array(foodSchema).max(MOST.foods).optional(),
  /** Foods that the household has of an old bag, by their ids. */
  old: z.array(z.string().max(LENGTH.id)).max(MOST.foods).optional(),
  /** What the household's log has taught of its foods, by their ids: factors of what they need and drink. */
  learnt: z
    .record(z.string().max(LENGTH.id), z.object({ need: figure.optional(), uptake: figure.optional() }))
    .optional(),
  ingredients: z.array(ingredientSchema).max(MOST.foods).optional(),
})
export type DishRequest = z.infer<typeof dishRequestSchema>
