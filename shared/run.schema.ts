import { z } from 'zod'
import { LENGTH } from '../core/bounds'
import { NEWS_KINDS } from './names'

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

/** What a household's devices are told as it happens: this document has changed. */
export const newsSchema = z.object({ householdId: z.uuid(), kind: z.enum(NEWS_KINDS), id: z.uuid() })
export type News = z.infer<typeof newsSchema>
