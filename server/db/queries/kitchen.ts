import { and, asc, eq, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { readOwn } from '../../../shared/document'
import type { Whoami } from '../../../shared/household'
import { KITCHEN, type VersionedKitchen } from '../../../shared/kitchen.schema'
import { households, members } from '../schema'
import { own, tellOthers, type Scope } from '../scope'
import { putBy } from './versions'

/** A version of a kitchen does not change: what was read of it is known for the next time. */
const readKitchens = new LRUCache<string, VersionedKitchen>({ max: 200 })

/** The household itself: its kitchen, and who is in it. */
export function kitchenQueries(scope: Scope) {
  const { db, householdId } = scope

  async function kitchen(): Promise<VersionedKitchen | null> {
    const isOurs = eq(households.id, householdId)
    const before = readKitchens.get(householdId)
    if (before) {
      const [row] = await db.select({ version: households.kitchenVersion }).from(households).where(isOurs)
      if (row?.version === before.version) return before
    }
    const [row] = await db
      .select({ version: households.kitchenVersion, kitchen: households.kitchen })
      .from(households)
      .where(isOurs)
    if (!row) return null
    const { version } = row
    const now = { version, kitchen: readOwn(KITCHEN, row.kitchen) }
    readKitchens.set(householdId, now)
    return now
  }

  return {
    kitchen,

    /** Who is at the device that asks; null where the household is gone. */
    async whoami(): Promise<Omit<Whoami, 'device'> | null> {
      const found = await kitchen()
      const inIt = await db
        .select({ id: members.id, name: members.name, role: members.role })
        .from(members)
        .where(own(scope, members))
        .orderBy(asc(members.createdAt))
      const member = inIt.find(({ id }) => id === scope.memberId) ?? inIt[0]
      if (!found || !member) return null
      const names = Object.fromEntries(inIt.map(({ id, name }) => [id, name]))
      return { household: { id: householdId, name: found.kitchen.name }, member, names }
    },

    /**
     * Keeps a changed kitchen, if nobody changed it since the version that was fetched. Sent twice, because the
     * first answer was lost, it is kept once. What stands there now is answered either way.
     */
    async saveKitchen({
      version,
      kitchen: given,
    }: VersionedKitchen): Promise<{ kept: boolean; now: VersionedKitchen }> {
      const content = JSON.stringify(given)
      const before = await kitchen()
      const stored = await db.transaction(async (tx) => {
        const [row] = await tx
          .update(households)
          .set({ kitchen: given, kitchenVersion: version + 1 })
          .where(and(eq(households.id, householdId), eq(households.kitchenVersion, version)))
          .returning({ version: households.kitchenVersion })
        if (row && before?.version === version)
          await putBy(scope, tx, 'kitchen', {
            id: householdId,
            version,
            name: before.kitchen.name,
            content: before.kitchen,
            savedAt: new Date(),
          })
        if (row) await tellOthers(scope, tx, 'kitchen', householdId)
        return row ?? null
      })
      if (stored) return { kept: true, now: { version: stored.version, kitchen: given } }
      const [same] = await db
        .select({ version: households.kitchenVersion })
        .from(households)
        .where(
          and(
            eq(households.id, householdId),
            eq(households.kitchenVersion, version + 1),
            sql`${households.kitchen} = ${content}::jsonb`,
          ),
        )
      return { kept: same !== undefined, now: (await kitchen())! }
    },
  }
}
