import { z } from 'zod'
import { figure } from '../fields.schema'
import { FLAMES, LEVELS } from '../names'

const flame = z.enum(FLAMES)
const level = z.enum(LEVELS)

/** How the cook tells the cooker what to do; the figure that is asked for is counted in its last step. */
export const styleSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('whistles'), flame }),
  /** Or, where nothing whistles, the pressure. */
  z.object({ kind: z.literal('first-whistle-then-low') }),
  /** By the clock from lighting. */
  z.object({ kind: z.literal('clock'), flame }),
  z.object({ kind: z.literal('high-then-low'), whistles: figure.int() }),
  z.object({ kind: z.literal('electric'), level }),
  /** A measured program of the device, as often as it takes. */
  z.object({ kind: z.literal('fixed') }),
  z.object({ kind: z.literal('rice-cooker') }),
  z.object({ kind: z.literal('open'), lid: z.boolean() }),
  z.object({ kind: z.literal('slow'), level }),
  /** A heated bowl: grain in its basket in plenty of water, drained. */
  z.object({ kind: z.literal('basket'), tempC: figure }),
])
export type Style = z.infer<typeof styleSchema>
