import { z } from 'zod'
import { BOUNDS, LENGTH, MOST } from '../bounds'
import { bounded } from '../fields.schema'
import { runEventDataSchema } from '../live/event.schema'
import { KEEPING_PLACES } from '../names'
import { planRequestSchema } from '../program/request.schema'

const id = z.string().min(1).max(LENGTH.id).regex(/^\S+$/)
/** Milliseconds since 1970, or a day or moment as ISO 8601 writes it. */
const moment = z.union([
  z
    .number()
    .int()
    .positive()
    .max(Date.UTC(9999, 11, 31)),
  z.iso.datetime({ offset: true }).refine(isFrom1970),
  z.iso.date().refine(isFrom1970),
])
function isFrom1970(text: string): boolean {
  return Date.parse(text) >= 0
}

const step = z.number().int().min(-2).max(2)

/** What came of the dish that a run was a pot of: how much, for how many, and what of it was kept. */
export const cameOutSchema = z.object({
  massG: z
    .number()
    .min(0)
    .max(BOUNDS.portionG[1] * BOUNDS.servings[1]),
  servings: bounded('servings'),
  keptPortions: z.number().int().min(0).max(BOUNDS.servings[1]),
  place: z.enum(KEEPING_PLACES).nullable(),
})
export type CameOut = z.infer<typeof cameOutSchema>

const runSchema = z.object({
  id,
  name: z.string().max(LENGTH.planName).optional(),
  /** On what it was cooked; the log tells one from another by these and by nothing else. */
  cooker: id,
  burner: id.nullish(),
  /** By content: the bag it was taken from. */
  bags: z.array(id.nullable()).max(MOST.contents).optional(),
  request: planRequestSchema,
  events: z
    .array(z.object({ id: z.string().max(LENGTH.id).optional(), at: moment, data: runEventDataSchema }))
    .max(MOST.runEvents),
  /** From -2 (much too hard, much too dry) over 0 (right) to 2. */
  verdicts: z
    .array(
      z.object({
        content: z.number().int().min(0),
        /** Which food that is; the verdict is refused where it is another. */
        food: z.string().max(LENGTH.id).optional(),
        texture: step,
        water: step,
        note: z.string().max(LENGTH.note).optional(),
      }),
    )
    .max(MOST.contents)
    .optional(),
  remarks: z.array(z.string().max(LENGTH.id)).max(8).optional(),
  /** False for a run that is not to teach. */
  teaches: z.boolean().optional(),
  cameOut: cameOutSchema.optional(),
})

/** A household's log as a file: what its learning rests on, and what it can be worked out from again. */
export const logFileSchema = z.object({
  runs: z.array(runSchema).max(MOST.logRuns),
  bags: z
    .array(z.object({ id, food: id, boughtOn: moment }))
    .max(MOST.bags)
    .optional(),
  gaskets: z
    .array(z.object({ cooker: id, at: moment }))
    .max(MOST.gaskets)
    .optional(),
  waterTests: z
    .array(z.object({ cooker: id, burner: id.nullish(), at: moment }))
    .max(MOST.gaskets)
    .optional(),
  /** Ids of figures of which all that was learnt until then is forgotten. */
  forgotten: z
    .array(z.object({ figure: z.string().max(200), at: moment }))
    .max(200)
    .optional(),
})
export type LogFile = z.infer<typeof logFileSchema>
export type LogFileRun = LogFile['runs'][number]
