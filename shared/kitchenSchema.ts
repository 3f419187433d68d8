import { z } from 'zod'
import { TIN_MATERIALS } from './kitchen'
import { burnerSchema, cookerSchema, foodSchema } from './request'
import { keptTestSchema } from './waterTest'

const name = z.string().trim().min(1, 'Give it a name.').max(60)
const row = { id: z.uuid(), name }

/** A household's kitchen as it is fetched and kept: one document. */
export const kitchenSchema = z.object({
  version: z.number().int().min(1),
  name,
  altitudeM: z.number().min(-450).max(5000),
  roomC: z.number().min(-10).max(45),
  tapC: z.number().min(0).max(40),
  hardWater: z.boolean().default(false),
  cookers: z
    .array(
      z.object({
        ...row,
        cooker: cookerSchema.required({ body: true }),
        /** Its water tests, oldest first; the newest of each burner counts. */
        tests: z.array(keptTestSchema).max(12).default([]),
      }),
    )
    .max(30),
  burners: z.array(z.object({ ...row, burner: burnerSchema })).max(12),
  measures: z.array(z.object({ ...row, volumeMl: z.number().min(1).max(5000) })).max(30),
  tins: z
    .array(
      z.object({
        ...row,
        diameterMm: z.number().min(40).max(400),
        heightMm: z.number().min(20).max(300),
        volumeMl: z.number().min(30).max(8000),
        lid: z.boolean(),
        material: z.enum(TIN_MATERIALS),
      }),
    )
    .max(20)
    .default([]),
  /** Foods of its own, each started from one of the catalogue. */
  foods: z
    .array(
      z.object({
        ...row,
        basedOn: z.string().max(80),
        figures: foodSchema.omit({ id: true, name: true, aliases: true }),
      }),
    )
    .max(100)
    .default([]),
  /** Bags in the larder, with the day they were bought. */
  bags: z
    .array(z.object({ ...row, foodId: z.string().max(80), boughtOn: z.iso.date('Give the day it was bought.') }))
    .max(200)
    .default([]),
})
