import { z } from 'zod'
import { FOOD_GROUPS, type Food } from '../core/food/food'
import { ADDITIONS } from '../core/food/need'
import { GRAIN_TEXTURES, PULSE_TEXTURES } from '../core/food/texture'
import type { PlanRequest } from '../core/program/request'
import { FREE_LIQUIDS, LIQUID_KINDS } from '../core/water/liquids'

// Only the shape is checked here; core checks the figures and says what to do about them.
const number = z.number()
const body = {
  metalKg: number,
  metalJPerKgK: number,
  lossWPerK: number,
}
const pressureBody = { ...body, ventKgPerS: number, purgeKg: number, leakKgPerS: number }
const level = z.enum(['high', 'low'])
const flame = z.enum(['high', 'medium', 'low', 'simmer'])

export const applianceSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('whistling'), ...pressureBody, liftPa: number, reseatPa: number }),
  z.object({ kind: z.literal('regulator'), ...pressureBody, liftPa: number, reseatPa: number }),
  z.object({ kind: z.literal('electric'), ...pressureBody, heaterW: number, highPa: number, lowPa: number }),
  z.object({ kind: z.literal('open'), ...body, reflux: number }),
  z.object({ kind: z.literal('rice'), ...body, reflux: number, heaterW: number }),
  z.object({ kind: z.literal('slow'), ...body, reflux: number, lowW: number, highW: number }),
  z.object({ kind: z.literal('bowl'), ...body, reflux: number, heaterW: number }),
])

export const burnerSchema = z.object({ high: number, medium: number, low: number, simmer: number })

export const potBodySchema = z.object({
  capacityL: number,
  innerDiameterMm: number,
  innerHeightMm: number,
  minimumLiquidG: number,
})

const soakSchema = z.object({
  hours: number,
  waterC: number,
  keepWater: z.boolean(),
  waterG: number.optional(),
})

const contentSchema = z.object({
  food: z.string().max(80),
  dryG: number,
  soak: soakSchema.nullable(),
  texture: z.enum([...GRAIN_TEXTURES, ...PULSE_TEXTURES]).optional(),
  where: z.union([
    z.literal('base'),
    z.object({
      tin: z.object({
        diameterMm: number,
        heightMm: number,
        lid: z.boolean(),
        volumeMl: number.optional(),
        material: z.enum(['steel', 'aluminium', 'glass', 'plastic']).optional(),
      }),
      tier: z.number().int().min(1).max(8),
    }),
  ]),
  additions: z.array(z.enum(ADDITIONS)).max(10).optional(),
  batch: z.enum(['fresh', 'old']).optional(),
  joins: z.number().int().min(0).max(3).optional(),
})

const styleSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('whistles'), flame }),
  z.object({ kind: z.literal('first-whistle-then-low') }),
  z.object({ kind: z.literal('clock'), flame }),
  z.object({ kind: z.literal('high-then-low'), whistles: z.number().int().min(1).max(20) }),
  z.object({ kind: z.literal('electric'), level }),
  z.object({ kind: z.literal('fixed') }),
  z.object({ kind: z.literal('rice-cooker') }),
  z.object({ kind: z.literal('open'), lid: z.boolean() }),
  z.object({ kind: z.literal('slow'), level }),
  z.object({ kind: z.literal('basket'), tempC: number }),
])

const releaseSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('natural') }),
  z.object({ kind: z.enum(['timed', 'quick']), afterMinutes: number.optional() }),
])

const profileSchema = z.array(z.object({ minute: number, tempC: number })).max(200)

export const cookerSchema = z.object({
  appliance: applianceSchema,
  body: potBodySchema.optional(),
  fixedPrograms: z
    .array(z.object({ id: z.string().max(80), name: z.string().max(120), profile: profileSchema, steamG: number }))
    .max(30)
    .optional(),
})

/** A food of the household's own, or its own figures for one of the catalogue. */
export const foodSchema = z.object({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  aliases: z.array(z.string().max(120)).max(20),
  group: z.enum(FOOD_GROUPS),
  cupG: z.number().min(10).max(400).nullable(),
  sizeMm: z.number().min(0).max(200),
  froth: z.union([z.literal(0), z.literal(1), z.literal(2)]),
  lectin: z.boolean(),
  soak: z
    .object({
      halfHours: z.number().min(0.01).max(50),
      maxUptake: z.number().min(0).max(3),
      dryPenalty: z.number().min(0).max(5),
      adviceHours: z.tuple([z.number().min(0).max(72), z.number().min(0).max(72)]).readonly(),
    })
    .nullable(),
  zC: z.number().min(5).max(100),
  zAbove110C: z.number().min(5).max(200).nullable(),
  boilMinutes: z
    .object({ firm: z.number(), tender: z.number(), soft: z.number(), max: z.number() })
    .refine(
      ({ firm, tender, soft, max }) => 0 < firm && firm <= tender && tender <= soft && soft <= max && max <= 2000,
      {
        message: 'Boil-minutes must rise from firm over tender and soft to max, and stay under 2000.',
      },
    ),
  uptakeTender: z.number().min(0).max(8),
  release: z.union([
    z.object({ kind: z.literal('natural'), minutes: z.number().min(0).max(60) }),
    z.object({ kind: z.literal('quick') }),
  ]),
}) satisfies z.ZodType<Food>

export const planRequestSchema = z.object({
  kitchen: z.object({ altitudeM: number, roomC: number, tapC: number }),
  cooker: z.union([z.string().max(80), cookerSchema]),
  burner: z
    .union([z.enum(['strong', 'weak']), burnerSchema, z.object({ diameterMm: number, flameW: burnerSchema })])
    .optional(),
  contents: z.array(contentSchema).max(12),
  trivetMm: number.optional(),
  liquids: z.array(z.object({ kind: z.enum(LIQUID_KINDS), g: number })).max(20),
  freeLiquid: z.enum(FREE_LIQUIDS).optional(),
  style: styleSchema,
  release: z.union([z.literal('auto'), releaseSchema]),
  given: z.object({ pourG: number.optional(), figure: number.optional() }).optional(),
  spread: z.object({ flame: number.optional(), lift: number.optional(), batch: number.optional() }).optional(),
  foods: z.array(foodSchema).max(100).optional(),
}) satisfies z.ZodType<PlanRequest>

const stepSchema = z.union([
  z.strictObject({ heatW: number, untilWhistles: number.int() }),
  z.strictObject({ heatW: number, minutes: number }),
  z.strictObject({ heatW: number, untilBoil: z.literal(true) }),
  z.strictObject({ heatW: number, untilMinute: number }),
  z.strictObject({ level, minutesAtPressure: number }),
  z.strictObject({ level, minutes: number }),
  z.strictObject({ untilDry: z.literal(true) }),
  z.strictObject({ heatW: number, untilPressure: z.literal(true) }),
  z.strictObject({ tempC: number, minutes: number }),
  z.strictObject({ profile: profileSchema, steamG: number }),
])

export const simulationCaseSchema = z.object({
  name: z.string().max(200).optional(),
  appliance: applianceSchema,
  load: z.object({
    freeWaterKg: number,
    foodJPerK: number,
    startC: number,
    vessels: z.array(z.object({ heatJPerK: number, couplingWPerK: number, startC: number.optional() })).max(12),
  }),
  place: z.object({ altitudeM: number, roomC: number }),
  program: z.array(stepSchema).max(30),
  release: releaseSchema.nullable(),
  foods: z
    .array(
      z.object({
        zC: number,
        zAbove110C: number.nullish(),
        vessel: z.number().int().min(0).nullable(),
        sizeMm: number.optional(),
        startC: number.optional(),
        absent: z.boolean().optional(),
      }),
    )
    .max(12),
  grain: z.object({ dryKg: number, uptakeMax: number, uptakeStart: number, tenderBoilMinutes: number }).optional(),
})
