import { z } from 'zod'
import { MOST } from '../bounds'
import { bounded } from '../fields.schema'
import { FLAMES, INTERRUPTIONS, PINCHES } from '../names'

/**
 * What can happen in a run. A run is nothing but the list of these; everything shown of it is derived from them
 * (run.ts), in the browser and on the server alike.
 */
export const runEventDataSchema = z.discriminatedUnion('kind', [
  /** Gasket, vent, water and seal were looked at before closing. */
  z.object({ kind: z.literal('checked') }),
  z.object({ kind: z.literal('lit') }),
  /** Counted by hand if `how` is left out; `recalled` ones were written down later than they happened. */
  z.object({ kind: z.literal('whistle'), how: z.enum(['ear', 'recalled']).optional() }),
  /** The whistle of that event was none. */
  z.object({ kind: z.literal('no-whistle'), of: z.uuid() }),
  /** The whistle of that event, which was asked about, was one. */
  z.object({ kind: z.literal('whistle-stands'), of: z.uuid() }),
  /** None slipped by before the whistle of that event, which was asked about. */
  z.object({ kind: z.literal('none-missed'), before: z.uuid() }),
  /** Asked about a long silence: none slipped by since the last whistle. */
  z.object({ kind: z.literal('quiet') }),
  z.object({ kind: z.literal('at-pressure') }),
  z.object({ kind: z.literal('boils') }),
  z.object({ kind: z.literal('flame'), flame: z.enum(FLAMES) }),
  z.object({ kind: z.literal('interrupted'), why: z.enum(INTERRUPTIONS) }),
  z.object({ kind: z.literal('resumed') }),
  z.object({ kind: z.literal('heat-off') }),
  z.object({ kind: z.literal('valve-opened') }),
  z.object({ kind: z.literal('pressure-gone') }),
  z.object({ kind: z.literal('opened') }),
  /**
   * Closed again with so much boiling water, for so many whistles or minutes more: pinched and not done, or
   * the foods that go in later are in now.
   */
  z.object({
    kind: z.literal('goes-on'),
    figure: bounded('figure'),
    addWaterG: bounded('liquidG'),
    pinch: z.array(z.enum(PINCHES).nullable()).max(MOST.contents),
    joins: z.literal(true).optional(),
  }),
  z.object({ kind: z.literal('abandoned') }),
  z.object({ kind: z.literal('undo'), of: z.uuid() }),
])
export type RunEventData = z.infer<typeof runEventDataSchema>

export const runEventSchema = z.object({
  /** Made by the device that saw it happen; the same event sent twice counts once. */
  id: z.uuid(),
  /** Milliseconds since 1970, UTC. */
  at: z.number().int().positive(),
  data: runEventDataSchema,
})
export type RunEvent = z.infer<typeof runEventSchema>
