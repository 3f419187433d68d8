import { and, asc, eq, sql } from 'drizzle-orm'
import type { LogFileRun } from '../../../core/learn/log-file.schema'
import type { PlanAnswer } from '../../../core/program/answer'
import { LIST_NAMES, LISTED, type Archive, type ArchivedDocument, type ListName } from '../../../shared/archive.schema'
import type { Kitchen } from '../../../shared/kitchen'
import { documents, forgotten, runPhotos } from '../schema'
import { kept, own, tellOthers, type Scope } from '../scope'
import type { logFileQueries } from './log-file'

/** What is to be brought back: checked before, so that all of it is written or nothing. */
export interface Restored {
  /** Null where the household's own kitchen stays. */
  kitchen: Kitchen | null
  documents: Record<ListName, ArchivedDocument[]>
  runs: { run: LogFileRun; answer: PlanAnswer }[]
  forgotten: { figure: string; at: number }[]
  photos: ReadonlyMap<string, Buffer>
}

/** How much of an archive was missing here, by kind; its kitchen only where it takes the place of a bare one. */
export type Added = Record<ListName, number> & {
  kitchen: Pick<Kitchen, 'name' | 'altitudeM'> | null
  runs: number
  photos: number
}
const NOTHING = Object.fromEntries(LIST_NAMES.map((name) => [name, 0])) as Record<ListName, number>

/** Ends a transaction that was only to be looked at. */
class OnlyTried extends Error {}

/** The whole household, out and in again. */
export function archiveQueries(scope: Scope, log: ReturnType<typeof logFileQueries>) {
  const { db, householdId, memberId } = scope

  /** All that is kept of a kind, also more than a list shows. */
  async function listed(name: ListName): Promise<ArchivedDocument[]> {
    const { id, name: called, favourite, content } = documents
    return db
      .select({ id, name: called, favourite, content })
      .from(documents)
      .where(and(kept(scope, documents), eq(documents.kind, LISTED[name])))
      .orderBy(asc(documents.updatedAt)) as Promise<ArchivedDocument[]>
  }

  return {
    async archive(kitchen: Kitchen): Promise<Archive> {
      const [file, gone, ...all] = await Promise.all([
        log.logFile(kitchen),
        db.select().from(forgotten).where(own(scope, forgotten)),
        ...LIST_NAMES.map(listed),
      ])
      return {
        format: 'bivvet-household',
        shape: 1,
        kitchen,
        ...(Object.fromEntries(LIST_NAMES.map((name, i) => [name, all[i]!])) as Record<ListName, ArchivedDocument[]>),
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
     * since. Answers what was missing; `isTried` answers the same and writes nothing.
     */
    async bringBack(
      { kitchen, documents: all, runs, forgotten: gone, photos }: Restored,
      here: Kitchen,
      { isTried = false } = {},
    ): Promise<Added> {
      const added: Added = { kitchen: null, ...NOTHING, runs: 0, photos: 0 }
      const bringAll = db.transaction(async (tx) => {
        if (kitchen) {
          await tx
            .update(documents)
            .set({
              content: kitchen,
              name: kitchen.name,
              version: sql`${documents.version} + 1`,
              updatedAt: new Date(),
            })
            .where(and(own(scope, documents), eq(documents.kind, 'kitchen')))
          await tellOthers(scope, tx, 'kitchen', householdId)
          added.kitchen = { name: kitchen.name, altitudeM: kitchen.altitudeM }
        }
        for (const name of LIST_NAMES) {
          for (const document of all[name]) {
            const inserted = await tx
              .insert(documents)
              .values({ ...document, kind: LISTED[name], householdId, memberId })
              .onConflictDoNothing()
              .returning({ id: documents.id })
            added[name] += inserted.length
          }
        }
        const { added: cooked, ids: runIds } = await log.addRunsIn(tx, runs, kitchen ?? here)
        added.runs = cooked
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
          added.photos += inserted.length
        }
        if (isTried) throw new OnlyTried()
        for (const kind of ['pot', 'dish', 'meal', 'portion', 'learnt'] as const)
          await tellOthers(scope, tx, kind, householdId)
      })
      await bringAll.catch((error) => {
        if (!(error instanceof OnlyTried)) throw error
      })
      return added
    },
  }
}
