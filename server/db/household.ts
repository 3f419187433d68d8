import { and, asc, desc, eq, inArray, isNull, or, sql, TransactionRollbackError } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'
import type { LivePlan } from '../../core/live/course'
import { createFollower } from '../../core/live/follow'
import { refusalOf, type PotFacts, type RunRefusal } from '../../core/live/refusal'
import type { RunEvent } from '../../core/live/run'
import { holdsPressure } from '../../core/pot/appliance'
import type { PlanAnswer } from '../../core/program/answer'
import type { Kitchen, RunWithPlan, SavedPlan } from '../../shared/kitchen'
import { PLAN_VERSION, type SavePlan } from '../../shared/plan'
import type { KeptPot, SavePot } from '../../shared/pot'
import type { RunNews, RunSummary, Verdict } from '../../shared/run'
import { NEWS_CHANNEL, type Database } from './client'
import {
  bags,
  burners,
  cookers,
  foods,
  households,
  measures,
  plans,
  pots,
  runEvents,
  runs,
  tins,
  verdicts,
} from './schema'

const MOST_RUNS = 200
const MOST_POTS = 300

export type EventOutcome =
  { stored: true; events: RunEvent[] } | { stored: false; refusal: RunRefusal | 'id-taken' | 'no-run' }

/**
 * Everything the database holds of one household. All queries of the application are here, and each
 * names the household, so none can see or touch another's rows.
 */
export function householdStore(db: Database, householdId: string) {
  const own = (table: { householdId: AnyPgColumn }) => eq(table.householdId, householdId)

  const kept = (table: { householdId: AnyPgColumn; deletedAt: AnyPgColumn }) => and(own(table), isNull(table.deletedAt))

  return {
    householdId,

    async kitchen(): Promise<Kitchen | null> {
      const [household] = await db.select().from(households).where(eq(households.id, householdId))
      if (!household) return null
      const [ownCookers, ownBurners, ownMeasures, ownTins, ownFoods, ownBags] = await Promise.all([
        db.select().from(cookers).where(kept(cookers)).orderBy(asc(cookers.position)),
        db.select().from(burners).where(kept(burners)).orderBy(asc(burners.position)),
        db.select().from(measures).where(kept(measures)).orderBy(asc(measures.position)),
        db.select().from(tins).where(kept(tins)).orderBy(asc(tins.position)),
        db.select().from(foods).where(kept(foods)).orderBy(asc(foods.position)),
        db.select().from(bags).where(kept(bags)).orderBy(asc(bags.position)),
      ])
      return {
        version: household.version,
        name: household.name,
        altitudeM: household.altitudeM,
        roomC: household.roomC,
        tapC: household.tapC,
        hardWater: household.hardWater,
        cookers: ownCookers.map(({ id, name, cooker, tests }) => ({ id, name, cooker, tests })),
        burners: ownBurners.map(({ id, name, burner }) => ({ id, name, burner })),
        measures: ownMeasures.map(({ id, name, volumeMl }) => ({ id, name, volumeMl })),
        tins: ownTins.map(({ id, name, diameterMm, heightMm, volumeMl, lid, material }) => ({
          id,
          name,
          diameterMm,
          heightMm,
          volumeMl,
          lid,
          material,
        })),
        foods: ownFoods.map(({ id, name, basedOn, figures }) => ({ id, name, basedOn, figures })),
        bags: ownBags.map(({ id, name, foodId, boughtOn }) => ({ id, name, foodId, boughtOn })),
      }
    },

    /**
     * Keeps a changed kitchen as a whole, if nobody changed it meanwhile. What is no longer in it is only
     * marked as gone, so that the log still names it and an undo brings it back.
     */
    async saveKitchen(given: Kitchen): Promise<'kept' | 'changed-meanwhile' | 'not-ours'> {
      return db
        .transaction(async (tx) => {
          const [household] = await tx.select().from(households).where(eq(households.id, householdId)).for('update')
          if (!household || household.version !== given.version) return 'changed-meanwhile'
          const { name, altitudeM, roomC, tapC, hardWater } = given
          await tx
            .update(households)
            .set({ name, altitudeM, roomC, tapC, hardWater, version: household.version + 1 })
            .where(eq(households.id, householdId))
          const tables = [
            [cookers, given.cookers],
            [burners, given.burners],
            [measures, given.measures],
            [tins, given.tins],
            [foods, given.foods],
            [bags, given.bags],
          ] as const
          for (const [table, rows] of tables) {
            await tx.update(table).set({ deletedAt: new Date() }).where(kept(table))
            for (const [position, row] of rows.entries()) {
              const values = { ...row, position, householdId, deletedAt: null }
              const stored = await tx
                .insert(table)
                .values(values as never)
                .onConflictDoUpdate({ target: table.id, set: values as never, setWhere: own(table) })
                .returning({ id: table.id })
              if (stored.length === 0) return tx.rollback()
            }
          }
          return 'kept' as const
        })
        .catch((error: unknown) => {
          if (error instanceof TransactionRollbackError) return 'not-ours' as const
          throw error
        })
    },

    /** The kept pots, newest change first. */
    async pots(): Promise<KeptPot[]> {
      const rows = await db.select().from(pots).where(kept(pots)).orderBy(desc(pots.updatedAt)).limit(MOST_POTS)
      return rows.map(keptPot)
    },

    async pot(potId: string): Promise<KeptPot | null> {
      const [row] = await db
        .select()
        .from(pots)
        .where(and(kept(pots), eq(pots.id, potId)))
      return row ? keptPot(row) : null
    },

    /** Keeps a pot under its id; refused if it was changed since the version that was fetched. */
    async savePot(potId: string, given: SavePot): Promise<KeptPot | 'changed-meanwhile'> {
      const { name, favourite, pot, version } = given
      const values = { name, favourite, pot, deletedAt: null, updatedAt: new Date() }
      const [stored] = await db
        .insert(pots)
        .values({ ...values, id: potId, householdId })
        .onConflictDoUpdate({
          target: pots.id,
          set: { ...values, version: version + 1 },
          // Sent twice, because the first answer was lost, it is kept once.
          setWhere: and(
            own(pots),
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
      return stored ? keptPot(stored) : 'changed-meanwhile'
    },

    /** Marks a kept pot as gone; saving it again brings it back. False if there was none. */
    async removePot(potId: string): Promise<boolean> {
      const gone = await db
        .update(pots)
        .set({ deletedAt: new Date() })
        .where(and(kept(pots), eq(pots.id, potId)))
        .returning({ id: pots.id })
      return gone.length > 0
    },

    async hasCooker(cookerId: string): Promise<boolean> {
      const found = await db
        .select({ id: cookers.id })
        .from(cookers)
        .where(and(kept(cookers), eq(cookers.id, cookerId)))
      return found.length > 0
    },

    /** Stores a plan once; sending the same id again changes nothing. */
    async savePlan(plan: SavePlan, answer: PlanAnswer): Promise<SavedPlan | null> {
      await db
        .insert(plans)
        .values({ ...plan, householdId, answer, version: PLAN_VERSION })
        .onConflictDoNothing({ target: plans.id })
      return this.plan(plan.id)
    },

    async plan(planId: string): Promise<SavedPlan | null> {
      const [row] = await db
        .select({ plan: plans, cookerName: cookers.name })
        .from(plans)
        .leftJoin(cookers, eq(cookers.id, plans.cookerId))
        .where(and(own(plans), eq(plans.id, planId)))
      return row ? savedPlan(row.plan, row.cookerName) : null
    },

    /** Starts a run of one of the household's plans, once; null if there is no such plan or the id is another's. */
    async startRun(runId: string, planId: string): Promise<RunWithPlan | null> {
      if (!(await this.plan(planId))) return null
      await db.insert(runs).values({ id: runId, householdId, planId }).onConflictDoNothing({ target: runs.id })
      await db.execute(tellOthers(householdId, runId))
      return this.run(runId)
    },

    async run(runId: string): Promise<RunWithPlan | null> {
      const [found] = await this.runs([runId])
      return found ?? null
    },

    /** The household's runs with their plans, events and verdicts, newest first. */
    async runs(ids?: string[]): Promise<RunWithPlan[]> {
      const rows = await db
        .select({ run: runs, plan: plans, cookerName: cookers.name })
        .from(runs)
        .innerJoin(plans, eq(plans.id, runs.planId))
        .leftJoin(cookers, eq(cookers.id, plans.cookerId))
        .where(and(own(runs), ids ? inArray(runs.id, ids) : undefined))
        .orderBy(desc(runs.createdAt), asc(runs.id))
        .limit(MOST_RUNS)
      const runIds = rows.map(({ run }) => run.id)
      if (runIds.length === 0) return []
      const [events, judged] = await Promise.all([
        db
          .select()
          .from(runEvents)
          .where(and(own(runEvents), inArray(runEvents.runId, runIds)))
          .orderBy(asc(runEvents.sequence)),
        db
          .select()
          .from(verdicts)
          .where(and(own(verdicts), inArray(verdicts.runId, runIds))),
      ])
      return rows.map(({ run, plan, cookerName }) => ({
        ...summary(run, plan.name),
        events: events.filter(({ runId }) => runId === run.id).map(runEvent),
        verdicts: judged.filter(({ runId }) => runId === run.id).map(verdict),
        plan: savedPlan(plan, cookerName),
      }))
    },

    /**
     * Appends an event to a run if it may follow what is there. The run is locked meanwhile, so two
     * devices cannot both be second; an event that is there already is left as it is.
     */
    async addEvent(runId: string, event: RunEvent, nowMs: number): Promise<EventOutcome> {
      return db.transaction(async (tx) => {
        const [run] = await tx
          .select({ answer: plans.answer, request: plans.request })
          .from(runs)
          .innerJoin(plans, eq(plans.id, runs.planId))
          .where(and(own(runs), eq(runs.id, runId)))
          .for('update', { of: runs })
        if (!run) return { stored: false, refusal: 'no-run' }
        const rows = await tx
          .select()
          .from(runEvents)
          .where(and(own(runEvents), eq(runEvents.runId, runId)))
          .orderBy(asc(runEvents.sequence))
        const before = rows.map(runEvent)
        const known = before.find(({ id }) => id === event.id)
        if (known)
          return known.data.kind === event.data.kind
            ? { stored: true, events: before }
            : { stored: false, refusal: 'id-taken' }
        const refusal = refusalOf(before, event, potFacts(run, before, event), nowMs)
        if (refusal) return { stored: false, refusal }
        const inserted = await tx
          .insert(runEvents)
          .values({
            id: event.id,
            householdId,
            runId,
            kind: event.data.kind,
            happenedAt: new Date(event.at),
            data: event.data,
          })
          .onConflictDoNothing({ target: runEvents.id })
          .returning({ id: runEvents.id })
        if (inserted.length === 0) return { stored: false, refusal: 'id-taken' }
        await tx.execute(tellOthers(householdId, runId))
        return { stored: true, events: [...before, event] }
      })
    },

    /** Stores or replaces the verdict on one food of a run. */
    async judge(runId: string, given: Verdict): Promise<void> {
      const { foodId, texture, water, note } = given
      await db
        .insert(verdicts)
        .values({ householdId, runId, foodId, texture, water, note })
        .onConflictDoUpdate({
          target: [verdicts.runId, verdicts.foodId],
          set: { texture, water, note, updatedAt: sql`now()` },
          setWhere: eq(verdicts.householdId, householdId),
        })
      await db.execute(tellOthers(householdId, runId))
    },
  }
}

export type HouseholdStore = ReturnType<typeof householdStore>

/** The household that a join link opens, or null. */
export async function householdByToken(db: Database, token: string): Promise<string | null> {
  const [found] = await db.select({ id: households.id }).from(households).where(eq(households.joinToken, token))
  return found?.id ?? null
}

/** Tells every server process, and through them every device, that a run has changed; with the transaction, or not at all. */
function tellOthers(householdId: string, runId: string) {
  const news: RunNews = { householdId, runId }
  return sql`select pg_notify(${NEWS_CHANNEL}, ${JSON.stringify(news)})`
}

/** What the rules ask of the pot; the sum is done only if it comes to opening. */
function potFacts(live: LivePlan, before: readonly RunEvent[], { at }: RunEvent): PotFacts {
  return {
    underPressure: holdsPressure(live.answer.simulation.appliance),
    opensFrom: () => createFollower(live)(before, at).outlook?.opensFrom ?? Infinity,
  }
}

function summary(run: typeof runs.$inferSelect, name: string): Omit<RunSummary, 'events' | 'verdicts'> {
  return { id: run.id, planId: run.planId, name, createdAt: run.createdAt.toISOString() }
}

function savedPlan(row: typeof plans.$inferSelect, cookerName: string | null): SavedPlan {
  const { id, name, cookerId, request, answer, createdAt } = row
  return { id, name, cookerId, cookerName, request, answer, createdAt: createdAt.toISOString() }
}

function runEvent(row: typeof runEvents.$inferSelect): RunEvent {
  return { id: row.id, at: row.happenedAt.getTime(), data: row.data }
}

function verdict({ foodId, texture, water, note }: typeof verdicts.$inferSelect): Verdict {
  return { foodId, texture, water, note }
}

function keptPot({ id, name, favourite, pot, version, updatedAt }: typeof pots.$inferSelect): KeptPot {
  return { id, name, favourite, pot, version, updatedAt: updatedAt.toISOString() }
}
