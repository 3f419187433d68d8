import { and, asc, eq, inArray } from 'drizzle-orm'
import { v5 as uuidOf } from 'uuid'
import type { LogFileRun } from '../../../core/learn/log-file.schema'
import type { PlanAnswer } from '../../../core/program/answer'
import type { Archive, ArchivedDocument } from '../../../shared/archive.schema'
import type { Kitchen } from '../../../shared/kitchen'
import { dishes, forgotten, households, meals, portions, pots, runPhotos } from '../schema'
import { kept, own, tellOthers, type Scope } from '../scope'
import type { logFileQueries } from './log-file'

export const KEPT_TABLES = { pots, dishes, meals, portions }
export type KeptName = keyof typeof KEPT_TABLES
export const KEPT_NAMES = Object.keys(KEPT_TABLES) as KeptName[]

/** What is to be brought back: checked before, so that all of it is written or nothing. */
export interface Restored {
  /** Null where the household's own kitchen stays. */
  kitchen: Kitchen | null
  documents: Record<KeptName, ArchivedDocument[]>
  runs: { run: LogFileRun; answer: PlanAnswer }[]
  forgotten: { figure: string; at: number }[]
  photos: ReadonlyMap<string, Buffer>
}

/** The whole household, out and in again. */
export function archiveQueries(scope: Scope, log: ReturnType<typeof logFileQueries>) {
  const { db, householdId, memberId } = scope
  const newId = (id: string) => uuidOf(id, householdId)

  /** All that is kept of a kind, also more than a list shows. */
  async function documents(name: KeptName): Promise<ArchivedDocument[]> {
    // The tables have the same columns but for the name of the document's.
    const table = KEPT_TABLES[name] as typeof pots
    const { id, name: called, favourite, content } = table
    return db
      .select({ id, name: called, favourite, content })
      .from(table)
      .where(kept(scope, table))
      .orderBy(asc(table.updatedAt)) as Promise<ArchivedDocument[]>
  }

  return {
    async archive(kitchen: Kitchen): Promise<Archive> {
      const [file, gone, ...all] = await Promise.all([
        log.logFile(kitchen),
        db.select().from(forgotten).where(own(scope, forgotten)),
        ...KEPT_NAMES.map(documents),
      ])
      return {
        format: 'bivvet-household',
        shape: 1,
        kitchen,
        ...(Object.fromEntries(KEPT_NAMES.map((name, i) => [name, all[i]!])) as Record<KeptName, ArchivedDocument[]>),
        log: { ...file, forgotten: gone.map(({ figure, forgottenAt }) => ({ figure, at: forgottenAt.getTime() })) },
      }
    },

    /** Photographs by the id of their run. */
    async photos(): Promise<Map<string, Buffer>> {
      const rows = await db
        .select({ runId: runPhotos.runId, jpeg: runPhotos.jpeg })
        .from(runPhotos)
        .where(own(scope, runPhotos))
      return new Map(rows.map(({ runId, jpeg }) => [runId, jpeg]))
    },

    /**
     * Brings back what is missing here, all or none; what stands here already stays as it is, also where it was changed
     * since. Answers how much was missing.
     */
    async bringBack({ kitchen, documents: all, runs, forgotten: gone, photos }: Restored, here: Kitchen) {
      return db.transaction(async (tx) => {
        let added = 0
        if (kitchen) {
          const [row] = await tx
            .select({ version: households.kitchenVersion })
            .from(households)
            .where(eq(households.id, householdId))
            .for('update')
          await tx
            .update(households)
            .set({ kitchen, kitchenVersion: row!.version + 1 })
            .where(eq(households.id, householdId))
          await tellOthers(scope, tx, 'kitchen', householdId)
          added++
        }
        for (const name of KEPT_NAMES) {
          const table = KEPT_TABLES[name] as typeof pots
          for (const { id, ...document } of all[name]) {
            // Where the id is another household's on this server, it gets one of its own, the same every time.
            const ids = [id, newId(id)]
            const there = await tx
              .select({ id: table.id })
              .from(table)
              .where(and(own(scope, table), inArray(table.id, ids)))
            for (const as of there.length > 0 ? [] : ids) {
              const inserted = await tx
                .insert(table)
                .values({ ...document, id: as, householdId, memberId })
                .onConflictDoNothing({ target: table.id })
                .returning({ id: table.id })
              if (inserted.length === 0) continue
              added++
              break
            }
          }
        }
        const { added: cooked, ids: runIds } = await log.addRunsIn(tx, runs, kitchen ?? here)
        added += cooked
        if (gone.length > 0)
          await tx
            .insert(forgotten)
            .values(gone.map(({ figure, at }) => ({ householdId, memberId, figure, forgottenAt: new Date(at) })))
            .onConflictDoNothing()
        for (const [runId, jpeg] of photos) {
          const as = runIds.get(runId)
          if (!as) continue
          const inserted = await tx
            .insert(runPhotos)
            .values({ runId: as, householdId, memberId, jpeg })
            .onConflictDoNothing({ target: runPhotos.runId })
            .returning({ runId: runPhotos.runId })
          added += inserted.length
        }
        for (const kind of ['pot', 'dish', 'meal', 'portion', 'learnt'] as const)
          await tellOthers(scope, tx, kind, householdId)
        return added
      })
    },
  }
}
