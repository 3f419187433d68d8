import { and, eq, sql } from 'drizzle-orm'
import type { KeptPot } from '../../../shared/household'
import type { Pot } from '../../../shared/pot'
import { POT, type SavePot } from '../../../shared/pot.schema'
import { pots } from '../schema'
import { kept, type Scope } from '../scope'
import { keptQueries, type Kept } from './kept'

const potOf = ({ content: pot, ...rest }: Kept<Pot>): KeptPot => ({ ...rest, pot })

/** Pots that the household has kept under a name. */
export function potQueries(scope: Scope) {
  const { db, memberId } = scope
  const queries = keptQueries(scope, 'pot', pots, POT)
  return {
    pots: async (): Promise<KeptPot[]> => (await queries.all()).map(potOf),

    async pot(potId: string): Promise<KeptPot | null> {
      const found = await queries.one(potId)
      return found && potOf(found)
    },

    async savePot(potId: string, { pot: content, ...rest }: SavePot): Promise<KeptPot | 'changed-meanwhile'> {
      const outcome = await queries.save(potId, { ...rest, content })
      return outcome === 'changed-meanwhile' ? outcome : potOf(outcome)
    },

    /** What soaked for this pot is in it now. Null if there is no such pot. */
    async endSoak(potId: string): Promise<KeptPot | null> {
      return db.transaction(async (tx) => {
        const [row] = await tx
          .update(pots)
          .set({
            content: sql`jsonb_set(${pots.content}, '{soakingSince}', 'null')`,
            version: sql`${pots.version} + 1`,
            updatedAt: new Date(),
            memberId,
          })
          .where(and(kept(scope, pots), eq(pots.id, potId)))
          .returning()
        if (row) await queries.tell(tx, potId)
        const found = row && queries.read(row)
        return found ? potOf(found) : null
      })
    },

    removePot: queries.remove,
  }
}
