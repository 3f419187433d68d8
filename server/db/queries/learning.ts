import { and, asc, eq, inArray, isNull, or, sql } from 'drizzle-orm'
import type { KitchenLog, LoggedRun } from '../../../core/learn/log'
import type { RunFit } from '../../../core/learn/run-fit'
import type { RunEvent } from '../../../core/live/event.schema'
import type { Kitchen } from '../../../shared/kitchen'
import type { RunSaid } from '../../../shared/run.schema'
import { FIT_SHAPE } from '../../../shared/shapes'
import { forgotten, plans, runEvents, runs, verdicts } from '../schema'
import { own, tellOthers, type Scope } from '../scope'
import { keptEvent, savedPlan } from './runs'

/** What a run says, as it is kept; null for one that says nothing. */
interface KeptFit {
  shape: typeof FIT_SHAPE
  fit: RunFit | null
}

/** A run of which it is still to be worked out what it says. */
export interface Unfitted {
  id: string
  plan: NonNullable<ReturnType<typeof savedPlan>>
  events: RunEvent[]
}

/** So many are worked out at a time. */
const AT_A_TIME = 20

/** What the household's runs taught. */
export function learningQueries(scope: Scope) {
  const { db, householdId, memberId } = scope
  const isUnfitted = or(isNull(runs.fit), sql`${runs.fit}->>'shape' <> ${String(FIT_SHAPE)}`)
  const isOver = and(own(scope, runs), eq(runs.isOn, false))

  return {
    /** Runs that are over and of which nobody has worked out yet what they say, the oldest first. */
    async unfitted(): Promise<Unfitted[]> {
      const rows = await db
        .select({ run: { id: runs.id }, plan: plans })
        .from(runs)
        .innerJoin(plans, eq(plans.id, runs.planId))
        .where(and(isOver, isUnfitted))
        .orderBy(asc(runs.createdAt))
        .limit(AT_A_TIME)
      const ids = rows.map(({ run }) => run.id)
      if (ids.length === 0) return []
      const events = await db
        .select()
        .from(runEvents)
        .where(and(own(scope, runEvents), inArray(runEvents.runId, ids)))
        .orderBy(asc(runEvents.sequence))
      const found: Unfitted[] = []
      for (const { run, plan } of rows) {
        const read = savedPlan(plan)
        if (read)
          found.push({ id: run.id, plan: read, events: events.filter(({ runId }) => runId === run.id).map(keptEvent) })
        // A plan that cannot be read says nothing, and is not tried again and again.
        else await keepFit(run.id, null, null)
      }
      return found
    },

    keepFit,

    async pending(): Promise<number> {
      return db.$count(runs, and(isOver, isUnfitted))
    },

    /** All that learning rests on. */
    async kitchenLog({ cookers, bags, likes }: Kitchen): Promise<{ log: KitchenLog; names: Map<string, string> }> {
      const [rows, judged, gone] = await Promise.all([
        db
          .select({
            id: runs.id,
            fit: runs.fit,
            teaches: runs.teaches,
            remarks: runs.remarks,
            name: plans.name,
            cookerId: plans.cookerId,
            burnerId: plans.burnerId,
            bagIds: plans.bagIds,
          })
          .from(runs)
          .innerJoin(plans, eq(plans.id, runs.planId))
          .where(and(isOver, sql`${runs.fit}->>'shape' = ${String(FIT_SHAPE)}`))
          .orderBy(asc(runs.createdAt), asc(runs.id)),
        db.select().from(verdicts).where(own(scope, verdicts)).orderBy(asc(verdicts.content)),
        db.select().from(forgotten).where(own(scope, forgotten)),
      ])
      const verdictsOf = new Map<string, LoggedRun['verdicts'][number][]>()
      for (const { runId, content, texture, water } of judged)
        verdictsOf.set(runId, [...(verdictsOf.get(runId) ?? []), { content, texture, water }])
      const logged = rows.flatMap((row): LoggedRun[] => {
        const { fit } = row.fit as KeptFit
        if (!fit || row.cookerId === null) return []
        // Of a pot that was lifted before its time nobody knows what it got.
        const early = (row.remarks as string[]).includes('lifted-early')
        return [
          {
            id: row.id,
            fit,
            cookerId: row.cookerId,
            burnerId: row.burnerId,
            bagIds: row.bagIds ?? [],
            verdicts: early ? [] : (verdictsOf.get(row.id) ?? []),
          },
        ]
      })
      const log: KitchenLog = {
        runs: logged,
        bags: bags.map(({ id, boughtOn }) => ({ id, boughtAt: Date.parse(boughtOn) })),
        gaskets: cookers.flatMap(({ id, gaskets = [] }) =>
          gaskets.map((day) => ({ cookerId: id, at: Date.parse(day) })),
        ),
        waterTests: cookers.flatMap(({ id, tests }) =>
          tests.map(({ burnerId, at }) => ({ cookerId: id, burnerId, at })),
        ),
        forgotten: gone.map(({ figure, forgottenAt }) => ({ figure, at: forgottenAt.getTime() })),
        without: rows.filter(({ teaches }) => !teaches).map(({ id }) => id),
        beansLiked: likes.beans,
      }
      return { log, names: new Map(rows.map(({ id, name }) => [id, name])) }
    },

    /** What was learnt of these figures until now is forgotten. */
    async forget(figures: readonly string[]): Promise<void> {
      await db.transaction(async (tx) => {
        await tx
          .insert(forgotten)
          .values(figures.map((figure) => ({ householdId, memberId, figure })))
          .onConflictDoUpdate({
            target: [forgotten.householdId, forgotten.figure],
            set: { forgottenAt: sql`now()`, memberId },
          })
        await tellOthers(scope, tx, 'learnt', householdId)
      })
    },

    /** And is known again. */
    async remember(figures: readonly string[]): Promise<void> {
      await db.transaction(async (tx) => {
        await tx.delete(forgotten).where(and(own(scope, forgotten), inArray(forgotten.figure, [...figures])))
        await tellOthers(scope, tx, 'learnt', householdId)
      })
    },

    /** What is said of a whole run. */
    async saidOfRun(runId: string, said: RunSaid): Promise<void> {
      if (Object.values(said).every((one) => one === undefined)) return
      await db.transaction(async (tx) => {
        await tx
          .update(runs)
          .set(said)
          .where(and(own(scope, runs), eq(runs.id, runId)))
        await tellOthers(scope, tx, 'run', runId)
      })
    },
  }

  /** Keeps what a run says, unless something has happened in it since it was read. */
  async function keepFit(runId: string, fit: RunFit | null, seenEvents: number | null): Promise<void> {
    const kept: KeptFit = { shape: FIT_SHAPE, fit }
    await db.transaction(async (tx) => {
      await tx
        .select({ id: runs.id })
        .from(runs)
        .where(and(own(scope, runs), eq(runs.id, runId)))
        .for('update')
      const events = await tx.$count(runEvents, and(own(scope, runEvents), eq(runEvents.runId, runId)))
      if (seenEvents !== null && events !== seenEvents) return
      await tx
        .update(runs)
        .set({ fit: kept })
        .where(and(own(scope, runs), eq(runs.id, runId)))
    })
  }
}
