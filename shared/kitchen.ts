import { z } from 'zod'
import type { PlanAnswer } from '../core/program/answer'
import type { PlanRequest } from '../core/program/request'
import { burnerSchema, cookerSchema } from './request'
import type { RunSummary } from './run'

const name = z.string().trim().min(1, 'Give it a name.').max(60)
const row = { id: z.uuid(), name }

/** A household's kitchen as it is fetched and kept: one document. */
export const kitchenSchema = z.object({
  version: z.number().int().min(1),
  name,
  altitudeM: z.number().min(-450).max(5000),
  roomC: z.number().min(-10).max(45),
  tapC: z.number().min(0).max(40),
  cookers: z.array(z.object({ ...row, cooker: cookerSchema.required({ body: true }) })).max(30),
  burners: z.array(z.object({ ...row, burner: burnerSchema })).max(12),
  measures: z.array(z.object({ ...row, volumeMl: z.number().min(1).max(5000) })).max(30),
})

export type Kitchen = z.infer<typeof kitchenSchema>
export type HouseholdCooker = Kitchen['cookers'][number]
export type HouseholdBurner = Kitchen['burners'][number]
export type HouseholdMeasure = Kitchen['measures'][number]

export interface SavedPlan {
  id: string
  name: string
  cookerId: string | null
  cookerName: string | null
  request: PlanRequest
  answer: PlanAnswer
  createdAt: string
}

/** A run with the plan it follows. */
export interface RunWithPlan extends RunSummary {
  plan: SavedPlan
}
