import { and, eq, isNotNull } from 'drizzle-orm'
import type { BegunDishes, KeptDish } from '../../../shared/household'
import {
  begunDishSchema,
  DISH,
  type BegunDish,
  type KeptDishDocument,
  type SayBegun,
  type SaveDish,
} from '../../../shared/dish.schema'
import { clocksOf } from '../../../shared/dish'
import { log } from '../../log'
import { dishes } from '../schema'
import { kept, tellOthers, type Scope } from '../scope'
import { keptQueries, type Kept } from './kept'

const dishOf = ({ content: dish, name: _, ...rest }: Kept<KeptDishDocument>): KeptDish => ({ ...rest, dish })

/** Dishes of the household; each is called as it calls itself. */
export function dishQueries(scope: Scope) {
  const queries = keptQueries(scope, 'dish', dishes, DISH)
  return {
    dishes: async (): Promise<KeptDish[]> => (await queries.all()).map(dishOf),

    async dish(id: string): Promise<KeptDish | null> {
      const found = await queries.one(id)
      return found && dishOf(found)
    },

    async saveDish(id: string, { dish, ...rest }: SaveDish): Promise<KeptDish | 'changed-meanwhile'> {
      const outcome = await queries.save(id, { ...rest, name: dish.name, content: dish })
      return outcome === 'changed-meanwhile' ? outcome : dishOf(outcome)
    },

    removeDish: queries.remove,

    /** The dishes that are being cooked. What cannot be read is passed over, and said. */
    async begunDishes(): Promise<BegunDishes> {
      const rows = await scope.db
        .select({ id: dishes.id, begun: dishes.begun })
        .from(dishes)
        .where(and(kept(scope, dishes), isNotNull(dishes.begun)))
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
        const mine = and(kept(scope, dishes), eq(dishes.id, id))
        const [row] = await tx.select().from(dishes).where(mine).for('update')
        const dish = row && queries.read(row)?.content
        if (!row || !dish) return null
        const before = readBegun(id, row.begun) ?? { at: 0, clocks: {}, runs: {} }
        // Nothing is kept of stages that the dish has no more.
        const has = clocksOf(dish)
        const ofDish = <Value>(all: Record<string, Value>) =>
          Object.fromEntries(Object.entries(all).filter(([key]) => has.has(key)))
        const begun: BegunDish = {
          at: said.at ?? before.at,
          clocks: ofDish({ ...said.clocks, ...before.clocks }),
          runs: ofDish({ ...said.runs, ...before.runs }),
        }
        await tx.update(dishes).set({ begun }).where(mine)
        await tellOthers(scope, tx, 'begun', id)
        return begun
      })
    },

    /** It is cooked no more; the next time begins anew. False if there is no such dish. */
    async endBegun(id: string): Promise<boolean> {
      return scope.db.transaction(async (tx) => {
        const ended = await tx
          .update(dishes)
          .set({ begun: null })
          .where(and(kept(scope, dishes), eq(dishes.id, id)))
          .returning({ id: dishes.id })
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
  log.error('how far a dish is cooked cannot be read', { id })
  return null
}
