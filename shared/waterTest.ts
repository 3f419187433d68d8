import { z } from 'zod'
import type { WaterTest } from '../core/learn/water-test'
import { burnerSchema } from './request'

const number = z.number()
const minute = number.min(0).max(1440)

export const waterTestSchema = z.object({
  waterG: number,
  leftG: number,
  startC: number,
  place: z.object({ altitudeM: number, roomC: number }),
  level: z.enum(['high', 'low']).optional(),
  marks: z
    .array(
      z.discriminatedUnion('kind', [
        z.object({ kind: z.literal('flame'), minute, flame: z.enum(['high', 'medium', 'low', 'simmer']) }),
        z.object({ kind: z.enum(['on', 'whistle', 'pressure', 'boils', 'heat-off', 'pressure-gone']), minute }),
        z.object({ kind: z.literal('temperature'), minute, tempC: number.min(-5).max(130) }),
      ]),
    )
    .max(60),
}) satisfies z.ZodType<WaterTest>

/** Figures of an appliance that a water test changes; the others stay as the kitchen has them. */
const fittedApplianceSchema = z.object({
  lossWPerK: number.min(0).max(50).optional(),
  reseatPa: number.min(1000).max(300_000).optional(),
  ventKgPerS: number.min(1e-5).max(0.1).optional(),
  leakKgPerS: number.min(0).max(0.01).optional(),
  heaterW: number.min(10).max(10_000).optional(),
  lowW: number.min(5).max(5000).optional(),
  highW: number.min(5).max(5000).optional(),
  reflux: number.min(0).max(1).optional(),
})
export type FittedAppliance = z.infer<typeof fittedApplianceSchema>

/** A water test that made sense, with what it measured. */
export const keptTestSchema = z.object({
  id: z.uuid(),
  at: number.int().positive(),
  /** The burner it stood on; null for what heats itself. */
  burnerId: z.uuid().nullable(),
  test: waterTestSchema,
  fitted: z.object({
    appliance: fittedApplianceSchema,
    burner: burnerSchema.nullable(),
    heatSpread: number.min(0).max(1),
  }),
})
export type KeptTest = z.infer<typeof keptTestSchema>
