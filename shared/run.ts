import { z } from 'zod'
import type { RunEvent } from '../core/live/run'

const pinch = z.enum(['hard', 'firm']).nullable()

const data = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('checked') }),
  z.object({ kind: z.literal('lit') }),
  z.object({ kind: z.literal('whistle'), how: z.enum(['ear', 'recalled']).optional() }),
  z.object({ kind: z.literal('no-whistle'), of: z.uuid() }),
  z.object({ kind: z.literal('whistle-stands'), of: z.uuid() }),
  z.object({ kind: z.literal('none-missed'), before: z.uuid() }),
  z.object({ kind: z.literal('at-pressure') }),
  z.object({ kind: z.literal('boils') }),
  z.object({ kind: z.literal('flame'), flame: z.enum(['high', 'medium', 'low', 'simmer']) }),
  z.object({ kind: z.literal('interrupted'), why: z.enum(['gas', 'power', 'weight']) }),
  z.object({ kind: z.literal('resumed') }),
  z.object({ kind: z.literal('heat-off') }),
  z.object({ kind: z.literal('valve-opened') }),
  z.object({ kind: z.literal('pressure-gone') }),
  z.object({ kind: z.literal('opened') }),
  z.object({
    kind: z.literal('goes-on'),
    figure: z.number().min(0).max(1440),
    addWaterG: z.number().min(0).max(10_000),
    pinch: z.array(pinch).max(12),
    joins: z.literal(true).optional(),
  }),
  z.object({ kind: z.literal('abandoned') }),
  z.object({ kind: z.literal('undo'), of: z.uuid() }),
])

export const runEventSchema = z.object({
  id: z.uuid(),
  at: z.number().int().positive(),
  data,
}) satisfies z.ZodType<RunEvent>

const step = z.number().int().min(-2).max(2)

/** What the household says of one food of a run; both scales run from -2 over 0 (right) to 2. */
export const verdictSchema = z.object({
  foodId: z.string().min(1).max(80),
  texture: step,
  water: step,
  note: z.string().max(2000).default(''),
})
export type Verdict = z.infer<typeof verdictSchema>

/** What a household's devices are told as it happens: this run has changed. */
export const runNewsSchema = z.object({ householdId: z.uuid(), runId: z.uuid() })
export type RunNews = z.infer<typeof runNewsSchema>

export interface RunSummary {
  id: string
  planId: string
  name: string
  createdAt: string
  events: RunEvent[]
  verdicts: Verdict[]
}
