import { z } from 'zod'
import { figure } from '../fields.schema'
import { LIQUID_KINDS } from './liquids'

/** Something wet that goes into the pot besides water. */
export const liquidSchema = z.object({
  kind: z.enum(LIQUID_KINDS),
  g: figure,
  /** Cut vegetables that are fried soft in the pot first: most of their water is steam by then. */
  fried: z.boolean().optional(),
})
export type Liquid = z.infer<typeof liquidSchema>
