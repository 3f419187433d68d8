import { z } from 'zod'
import { runEventSchema } from '~~/core/live/event.schema'
import { readDocument, readOwn } from '~~/shared/document'
import { DISH } from '~~/shared/dish.schema'
import { KITCHEN } from '~~/shared/kitchen.schema'
import { MEAL } from '~~/shared/meal.schema'
import { POT } from '~~/shared/pot.schema'
import { PLAN, savePlanSchema, startRunSchema } from '~~/shared/plan.schema'
import { PLAN_SHAPE } from '~~/shared/shapes'
import { STORAGE_SHAPE, STORAGE_SHAPE_KEY, STORED, UNSENT_BEFORE, unsentKey } from './storageShape'
import type { Unsent } from './syncedDocument'

const startsSchema = z.array(z.object({ plan: savePlanSchema, run: startRunSchema }))
const outboxSchema = z.array(z.object({ runId: z.uuid(), event: runEventSchema }))

interface OldDish {
  version: number
  favourite: boolean
  dish: unknown
}
interface OldMeal {
  version: number
  meal: unknown
  base: unknown
}

/**
 * Reads what an earlier version kept on this device and writes it in today's shape. What cannot be read is set aside
 * under its key with `-unreadable`, so that nothing is thrown away.
 */
export function upgradeStorage(storage: Storage): void {
  const change = (key: string, read: (kept: unknown) => unknown) => {
    const text = storage.getItem(key)
    if (text === null) return
    const value = attempt(() => read(JSON.parse(text)))
    if (value === undefined) {
      storage.setItem(`${key}-unreadable`, text)
      storage.removeItem(key)
    } else if (value === null) storage.removeItem(key)
    else storage.setItem(key, JSON.stringify(value))
  }
  const from = Number(storage.getItem(STORAGE_SHAPE_KEY) ?? 1)
  const keepUnsent = (kind: 'kitchen' | 'dish' | 'meal', id: string, unsent: Unsent<unknown>) =>
    storage.setItem(unsentKey(kind, id), JSON.stringify(unsent))
  change(UNSENT_BEFORE.kitchen, (kept) => {
    if (kept === null) return null
    const { version, kitchen } = kept as { version: number; kitchen: unknown }
    keepUnsent('kitchen', 'own', { version, favourite: false, content: readOwn(KITCHEN, kitchen), base: null })
    return null
  })
  change(UNSENT_BEFORE.dishes, (kept) => {
    for (const [id, { version, favourite, dish }] of Object.entries(kept as Record<string, OldDish>))
      keepUnsent('dish', id, { version, favourite, content: readOwn(DISH, dish), base: null })
    return null
  })
  change(UNSENT_BEFORE.meals, (kept) => {
    for (const [id, { version, meal, base }] of Object.entries(kept as Record<string, OldMeal>))
      keepUnsent('meal', id, { version, favourite: false, content: readOwn(MEAL, meal), base: readOwn(MEAL, base) })
    return null
  })
  change(STORED.pot, (kept) => {
    const { pot, keptId } = kept as { pot: unknown; keptId: string | null }
    return { pot: potOf(pot), keptId }
  })
  change(STORED.keptPots, (kept) =>
    Object.fromEntries(
      Object.entries(kept as Record<string, { content: string }>).flatMap(([id, one]) => {
        const pot = attempt(() => potOf(JSON.parse(one.content)))
        return pot ? [[id, { ...one, content: JSON.stringify(pot) }]] : []
      }),
    ),
  )
  // A plan does not say its shape; it was written in the storage's.
  const planShape = Math.min(from, PLAN_SHAPE)
  change(STORED.running, (kept) =>
    (kept as { plan: { request: unknown; answer: unknown } }[]).flatMap((run) => {
      const read = readDocument(PLAN, { request: run.plan.request, answer: run.plan.answer }, planShape)
      return read.ok ? [{ ...run, plan: { ...run.plan, ...read.value } }] : []
    }),
  )
  change(STORED.starts, (kept) => startsSchema.parse(kept))
  change(STORED.outbox, (kept) => outboxSchema.parse(kept))
  storage.setItem(STORAGE_SHAPE_KEY, String(STORAGE_SHAPE))
}

function potOf(kept: unknown) {
  const read = readDocument(POT, kept)
  if (!read.ok) throw new TypeError(read.reason)
  return read.value
}

function attempt<T>(work: () => T): T | undefined {
  try {
    return work()
  } catch {
    return undefined
  }
}
