import { z } from 'zod'
import { figure } from '../fields.schema'
import { FLAMES, LEVELS, type FlameName } from '../names'

const flame = z.enum(FLAMES)
const level = z.enum(LEVELS)

/** How the cook tells the cooker what to do; the figure that is asked for is counted in its last step. */
export const styleSchema = z.discriminatedUnion('kind', [
  /**
   * Counted on a flame, left out where it is set by how often the pot whistles; until the first whistle on `heatUp`,
   * high as a rule, or on the same flame where it is left out, as it was before it could be told.
   */
  z.object({ kind: z.literal('whistles'), flame: flame.optional(), heatUp: flame.optional() }),
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
/** A style with the flame on which whistles are counted. */
export type SetStyle =
  Exclude<Style, { kind: 'whistles' }> | (Extract<Style, { kind: 'whistles' }> & { flame: FlameName })
