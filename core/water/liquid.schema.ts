import { z } from 'zod'
import { figure } from '../fields.schema'
import { LIQUID_KINDS } from './liquids'

/** Something wet that goes into the pot besides water. */
export const liquidSchema = z.object({ kind: z.enum(LIQUID_KINDS), g: figure })
export type Liquid = z.infer<typeof liquidSchema>
