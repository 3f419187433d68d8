import { z } from 'zod'
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
      tin: z.object({ diameterMm: number, heightMm: number, lid: z.boolean() }),
      tier: z.number().int().min(1).max(8),
    }),
  ]),
  additions: z.array(z.enum(ADDITIONS)).max(10).optional(),
  batch: z.enum(['fresh', 'old']).optional(),
})

const styleSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('whistles'), flame }),
  z.object({ kind: z.literal('first-whistle-then-low') }),
  z.object({ kind: z.literal('electric'), level }),
])

const releaseSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('natural') }),
  z.object({ kind: z.enum(['timed', 'quick']), afterMinutes: number.optional() }),
])

export const planRequestSchema = z.object({
  kitchen: z.object({ altitudeM: number, roomC: number, tapC: number }),
  cooker: z.union([z.string().max(80), z.object({ appliance: applianceSchema, body: potBodySchema.optional() })]),
  burner: z.union([z.enum(['strong', 'weak']), burnerSchema]).optional(),
  contents: z.array(contentSchema).max(12),
  liquids: z.array(z.object({ kind: z.enum(LIQUID_KINDS), g: number })).max(20),
  freeLiquid: z.enum(FREE_LIQUIDS).optional(),
  style: styleSchema,
  release: z.union([z.literal('auto'), releaseSchema]),
}) satisfies z.ZodType<PlanRequest>

const stepSchema = z.union([
  z.strictObject({ heatW: number, untilWhistles: number.int() }),
  z.strictObject({ heatW: number, minutes: number }),
  z.strictObject({ heatW: number, untilBoil: z.literal(true) }),
  z.strictObject({ heatW: number, untilMinute: number }),
  z.strictObject({ level, minutesAtPressure: number }),
  z.strictObject({ level, minutes: number }),
  z.strictObject({ untilDry: z.literal(true) }),
])

export const simulationCaseSchema = z.object({
  name: z.string().max(200).optional(),
  appliance: applianceSchema,
  load: z.object({
    freeWaterKg: number,
    foodJPerK: number,
    startC: number,
    vessels: z.array(z.object({ heatJPerK: number, couplingWPerK: number })).max(12),
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
      }),
    )
    .max(12),
  grain: z.object({ dryKg: number, uptakeMax: number, uptakeStart: number, tenderBoilMinutes: number }).optional(),
})
