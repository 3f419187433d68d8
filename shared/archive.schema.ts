import { z } from 'zod'
import { logFileSchema } from '../core/learn/log-file.schema'
import { LENGTH } from '../core/bounds'

const kept = z.object({
  id: z.uuid(),
  name: z.string().max(LENGTH.planName),
  favourite: z.boolean(),
  /** In its own shape; parsed and upgraded by its kind. */
  content: z.looseObject({}),
})
const MOST_KEPT = 1000

/** A whole household as a file: what its archive holds as JSON, besides the table of the log and the photographs. */
export const archiveSchema = z.object({
  format: z.literal('bivvet-household'),
  shape: z.literal(1),
  kitchen: z.looseObject({}),
  pots: z.array(kept).max(MOST_KEPT),
  dishes: z.array(kept).max(MOST_KEPT),
  meals: z.array(kept).max(MOST_KEPT),
  portions: z.array(kept).max(MOST_KEPT),
  log: logFileSchema,
})
export type Archive = z.infer<typeof archiveSchema>
export type ArchivedDocument = Archive['pots'][number]

/** What the lists of an archive hold. */
export const LISTED = { pots: 'pot', dishes: 'dish', meals: 'meal', portions: 'portion' } as const
export type ListName = keyof typeof LISTED
export const LIST_NAMES = Object.keys(LISTED) as ListName[]
