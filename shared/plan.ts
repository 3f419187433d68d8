import { z } from 'zod'
import { planRequestSchema } from './request'

/** Bumped when the shape of a stored request or answer changes. */
export const PLAN_VERSION = 1

/** A plan to keep. The id is made by the client, so that sending it twice stores it once. */
export const savePlanSchema = z.object({
  id: z.uuid(),
  name: z.string().trim().min(1).max(120),
  cookerId: z.uuid(),
  request: planRequestSchema,
})
export type SavePlan = z.infer<typeof savePlanSchema>

export const startRunSchema = z.object({ id: z.uuid(), planId: z.uuid() })
