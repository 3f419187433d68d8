import { and, desc, eq, or, sql } from 'drizzle-orm'
import { readDocument } from '../../../shared/document'
import type { KeptPot } from '../../../shared/household'
import { POT, type SavePot } from '../../../shared/pot.schema'
import { pots } from '../schema'
import { kept, own, tellOthers, type Scope } from '../scope'

const MOST_POTS = 300

/** Pots that the household has kept under a name. */
export function potQueries(scope: Scope) {
  const { db, householdId, memberId } = scope
  return {
    /** The kept pots, newest change first. One that cannot be read is passed over, and said. */
    async pots(): Promise<KeptPot[]> {
      const rows = await db.select().from(pots).where(kept(scope, pots)).orderBy(desc(pots.updatedAt)).limit(MOST_POTS)
      return rows.flatMap((row) => keptPot(row) ?? [])
    },

    async pot(potId: string): Promise<KeptPot | null> {
      const [row] = await db
        .select()
        .from(pots)
        .where(and(kept(scope, pots), eq(pots.id, potId)))
      return row ? keptPot(row) : null
    },

    /** Keeps a pot under its id; refused if it was changed since the version that was fetched. */
    async savePot(potId: string, given: SavePot): Promise<KeptPot | 'changed-meanwhile'> {
      const { name, favourite, pot, version } = given
      const values = { name, favourite, pot, memberId, deletedAt: null, updatedAt: new Date() }
      return db.transaction(async (tx) => {
        const [stored] = await tx
          .insert(pots)
          .values({ ...values, id: potId, householdId })
          .onConflictDoUpdate({
            target: pots.id,
            set: { ...values, version: version + 1 },
            // Sent twice, because the first answer was lost, it is kept once.
            setWhere: and(
              own(scope, pots),
              or(
                eq(pots.version, version),
                and(
                  eq(pots.version, version + 1),
                  eq(pots.name, name),
                  eq(pots.favourite, favourite),
                  sql`${pots.pot} = ${JSON.stringify(pot)}::jsonb`,
                ),
              ),
            ),
          })
          .returning()
        if (!stored) return 'changed-meanwhile'
        await tellOthers(scope, tx, 'pot', potId)
        return keptPot(stored)!
      })
    },

    /** What soaked for this pot is in it now. Null if there is no such pot. */
    async endSoak(potId: string): Promise<KeptPot | null> {
      return db.transaction(async (tx) => {
        const [row] = await tx
          .update(pots)
          .set({
            pot: sql`jsonb_set(${pots.pot}, '{soakingSince}', 'null')`,
            version: sql`${pots.version} + 1`,
            updatedAt: new Date(),
            memberId,
          })
          .where(and(kept(scope, pots), eq(pots.id, potId)))
          .returning()
        if (row) await tellOthers(scope, tx, 'pot', potId)
        return row ? keptPot(row) : null
      })
    },

    /** Marks a kept pot as gone; saving it again brings it back. False if there was none. */
    async removePot(potId: string): Promise<boolean> {
      return db.transaction(async (tx) => {
        const gone = await tx
          .update(pots)
          .set({ deletedAt: new Date() })
          .where(and(kept(scope, pots), eq(pots.id, potId)))
          .returning({ id: pots.id })
        if (gone.length > 0) await tellOthers(scope, tx, 'pot', potId)
        return gone.length > 0
      })
    },
  }
}

function keptPot({ id, name, favourite, pot, version, updatedAt }: typeof pots.$inferSelect): KeptPot | null {
  const read = readDocument(POT, pot)
  if (read.ok) return { id, name, favourite, pot: read.value, version, updatedAt: updatedAt.toISOString() }
  console.error(`Kept pot ${id} cannot be read (${read.reason}).`)
  return null
}
