import { and, eq, isNotNull } from 'drizzle-orm'
import { readDocument } from '../../../shared/document'
import type { BegunDishes } from '../../../shared/household'
import { begunDishSchema, DISH, type BegunDish, type SayBegun } from '../../../shared/dish.schema'
import { clocksOf } from '../../../shared/dish'
import { logger } from '../../logger'
import { documents } from '../schema'
import { kept, tellOthers, type Scope } from '../scope'

/** How far dishes are that are being cooked. */
export function begunQueries(scope: Scope) {
  const isDish = and(kept(scope, documents), eq(documents.kind, 'dish'))
  return {
    /** The dishes that are being cooked. What cannot be read is passed over, and said. */
    async begunDishes(): Promise<BegunDishes> {
      const rows = await scope.db
        .select({ id: documents.id, begun: documents.begun })
        .from(documents)
        .where(and(isDish, isNotNull(documents.begun)))
      return Object.fromEntries(
        rows.flatMap(({ id, begun }) => {
          const read = readBegun(id, begun)
          return read ? [[id, read]] : []
        }),
      )
    },

    /**
     * Adds what a device says of a dish that is cooked to what the others have said: what was started or lit stays as
     * it was said first. Null where there is no such dish.
     */
    async sayBegun(id: string, said: SayBegun): Promise<BegunDish | null> {
      return scope.db.transaction(async (tx) => {
        const mine = and(isDish, eq(documents.id, id))
        const [row] = await tx.select().from(documents).where(mine).for('update')
        const dish = row && readDocument(DISH, row.content)
        if (!dish?.ok) return null
        const before = readBegun(id, row!.begun) ?? { at: 0, clocks: {}, runs: {} }
        // Nothing is kept of stages that the dish has no more.
        const has = clocksOf(dish.value)
        const ofDish = <Value>(all: Record<string, Value>) =>
          Object.fromEntries(Object.entries(all).filter(([key]) => has.has(key)))
        const begun: BegunDish = {
          at: said.at ?? before.at,
          clocks: ofDish({ ...said.clocks, ...before.clocks }),
          runs: ofDish({ ...said.runs, ...before.runs }),
        }
        await tx.update(documents).set({ begun }).where(mine)
        await tellOthers(scope, tx, 'begun', id)
        return begun
      })
    },

    /** It is cooked no more; the next time begins anew. False if there is no such dish. */
    async endBegun(id: string): Promise<boolean> {
      return scope.db.transaction(async (tx) => {
        const ended = await tx
          .update(documents)
          .set({ begun: null })
          .where(and(isDish, eq(documents.id, id)))
          .returning({ id: documents.id })
        if (ended.length > 0) await tellOthers(scope, tx, 'begun', id)
        return ended.length > 0
      })
    },
  }
}

function readBegun(id: string, begun: unknown): BegunDish | null {
  if (begun === null) return null
  const read = begunDishSchema.safeParse(begun)
  if (read.success) return read.data
  logger.error('how far a dish is cooked cannot be read', { id })
  return null
}
