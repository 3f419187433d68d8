import { z } from 'zod'
import { applianceSchema } from '../appliance/appliance.schema'
import { releaseSchema, stepSchema } from '../appliance/step.schema'
import { LENGTH, MOST } from '../bounds'
import { figure } from '../fields.schema'

/** A tin, as the steam sees it: its heat capacity and how well steam condensing on it heats it. */
const vesselSchema = z.object({
  heatJPerK: figure,
  couplingWPerK: figure,
  /** Where it does not start as hot as the base. */
  startC: figure.optional(),
})
export type VesselLoad = z.infer<typeof vesselSchema>

const loadSchema = z.object({
  /** Water in the base that no food holds yet. */
  freeWaterKg: figure,
  /** Heat capacity of the food in the base, the water it holds included. */
  foodJPerK: figure,
  startC: figure,
  vessels: z.array(vesselSchema).max(MOST.vessels),
})
export type Load = z.infer<typeof loadSchema>

const placeSchema = z.object({ altitudeM: figure, roomC: figure })
export type Place = z.infer<typeof placeSchema>

/** What a food needs to have its cooking counted. */
const cookedFoodSchema = z.object({
  zC: figure,
  zAbove110C: figure.nullish(),
  /** A tin's index, null for the base. */
  vessel: z.number().int().min(0).nullable(),
  /** Thickness of a piece; above 12 mm its middle lags behind the pot. */
  sizeMm: figure.optional(),
  /** Of its middle, where it does not start as hot as the base. */
  startC: figure.optional(),
  /** It is not in the pot yet, and gets nothing. */
  absent: z.boolean().optional(),
})
export type CookedFood = z.infer<typeof cookedFoodSchema>

/** A food in the base that drinks free water as it cooks. */
const grainSchema = z.object({
  /** Which of the case's foods it is; the first if left out. */
  food: z.number().int().min(0).optional(),
  dryKg: figure,
  uptakeMax: figure,
  uptakeStart: figure,
  tenderBoilMinutes: figure,
})
export type Grain = z.infer<typeof grainSchema>

/** Everything one simulation needs; the files of core/cases are these with the figures to expect. */
export const simulationCaseSchema = z.object({
  name: z.string().max(LENGTH.note).optional(),
  appliance: applianceSchema,
  load: loadSchema,
  place: placeSchema,
  program: z.array(stepSchema).max(MOST.steps),
  /** null for appliances that hold no pressure. */
  release: releaseSchema.nullable(),
  foods: z.array(cookedFoodSchema).max(MOST.contents),
  grain: grainSchema.optional(),
})
export type SimulationCase = z.infer<typeof simulationCaseSchema>

/** A pot with its load, and nothing said yet of what is done with it. */
export type LoadedPot = Omit<SimulationCase, 'program' | 'release'>
