import { z } from 'zod'
import { LENGTH } from '../core/bounds'
import { cameOutSchema } from '../core/learn/log-file.schema'
import { CHANGE_KINDS, REMARKS, VERDICTS } from './names'

const step = z.number().int().min(-2).max(2)

/** What the household says of one food of a run; both scales run from -2 over 0 (right) to 2. */
export const verdictSchema = z.object({
  /** Which of the plan's foods, by its place: the same food may be in a pot twice. */
  content: z.number().int().min(0).max(11),
  foodId: z.string().min(1).max(LENGTH.id),
  texture: step,
  water: step,
  note: z.string().max(LENGTH.note).default(''),
})
export type Verdict = z.infer<typeof verdictSchema>

/** What is said of a whole run; what is left out stays as it is. */
export const runSaidSchema = z.object({
  remarks: z.array(z.enum(REMARKS)).max(REMARKS.length).optional(),
  /** Whether what happened in it is to be learnt from. */
  teaches: z.boolean().optional(),
  cameOut: cameOutSchema.optional(),
})
export type RunSaid = z.infer<typeof runSaidSchema>

/** What the log is looked through for; foods by their ids, with commas between. */
export const runFilterSchema = z.object({
  name: z.string().trim().max(LENGTH.planName).optional(),
  foods: z.string().max(2000).optional(),
  cookerId: z.uuid().optional(),
  verdict: z.enum(VERDICTS).optional(),
})

/** A figure of which all that was learnt is to be forgotten, by its ids (core/learn/figure). */
export const forgetSchema = z.object({ figures: z.array(z.string().min(1).max(200)).min(1).max(8) })

/** What a household's devices are told as it happens: this document has changed. */
export const changeEventSchema = z.object({ householdId: z.uuid(), kind: z.enum(CHANGE_KINDS), id: z.uuid() })
export type ChangeEvent = z.infer<typeof changeEventSchema>
