import { and, eq } from 'drizzle-orm'
import { runPhotos } from '../schema'
import { own, tellOthers, type Scope } from '../scope'

/** Photographs of the household's pots, one of a run. */
export function photoQueries(scope: Scope) {
  const { db, householdId, memberId } = scope
  const ofRun = (runId: string) => and(own(scope, runPhotos), eq(runPhotos.runId, runId))
  return {
    async photo(runId: string): Promise<Buffer | null> {
      const [row] = await db.select({ jpeg: runPhotos.jpeg }).from(runPhotos).where(ofRun(runId))
      return row?.jpeg ?? null
    },

    /** Keeps it in the place of the one before. */
    async keepPhoto(runId: string, jpeg: Buffer): Promise<void> {
      const values = { memberId, jpeg, takenAt: new Date() }
      await db.transaction(async (tx) => {
        await tx
          .insert(runPhotos)
          .values({ runId, householdId, ...values })
          .onConflictDoUpdate({ target: runPhotos.runId, set: values, setWhere: own(scope, runPhotos) })
        await tellOthers(scope, tx, 'run', runId)
      })
    },

    async dropPhoto(runId: string): Promise<void> {
      await db.transaction(async (tx) => {
        await tx.delete(runPhotos).where(ofRun(runId))
        await tellOthers(scope, tx, 'run', runId)
      })
    },
  }
}
