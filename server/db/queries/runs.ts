import { log } from '../../log'
import { LRUCache } from 'lru-cache'
import { and, asc, desc, eq, gt, inArray, lt, ne, or, sql, type SQL } from 'drizzle-orm'
import { runEventSchema } from '../../../core/live/event.schema'
import type { PlanAnswer } from '../../../core/program/answer'
import { readDocument } from '../../../shared/document'
import type { KeptEvent, RunPage, RunWithPlan, SavedPlan } from '../../../shared/household'
import type { Remark } from '../../../shared/names'
import { PLAN, type PlanDocument, type SavePlan } from '../../../shared/plan.schema'
import type { Verdict } from '../../../shared/run.schema'
import { PLAN_SHAPE } from '../../../shared/shapes'
import { plans, runEvents, runPhotos, runs, verdicts } from '../schema'
import { LimitReached, own, tellOthers, type Scope } from '../scope'

/** What the log is looked through for; what is left out does not matter. */
export interface RunFilter {
  /** A part of its name, or any of these foods. */
  name?: string | undefined
  foods?: string[] | undefined
  cookerId?: string | undefined
  verdict?: 'hard' | 'right' | 'soft' | 'none' | undefined
}

const PAGE = 30
const MOST_ON = 50
/** So many pots does no household cook in a day. */
const MOST_A_DAY = 200

/** Plans, and the runs that follow them. */
export function runQueries(scope: Scope) {
  const { db, householdId, memberId } = scope
  const wasBegun = sql`exists (select 1 from ${runEvents} where ${runEvents.runId} = ${runs.id})`
  const runWithPlan = { run: runs, plan: plans }

  async function plan(planId: string): Promise<SavedPlan | null> {
    const [row] = await db
      .select()
      .from(plans)
      .where(and(own(scope, plans), eq(plans.id, planId)))
    return row ? savedPlan(row) : null
  }

  async function withEvents(rows: { run: typeof runs.$inferSelect; plan: typeof plans.$inferSelect }[]) {
    const ids = rows.map(({ run }) => run.id)
    if (ids.length === 0) return []
    const [events, judged, photos] = await Promise.all([
      db
        .select()
        .from(runEvents)
        .where(and(own(scope, runEvents), inArray(runEvents.runId, ids)))
        .orderBy(asc(runEvents.sequence)),
      db
        .select()
        .from(verdicts)
        .where(and(own(scope, verdicts), inArray(verdicts.runId, ids))),
      db
        .select({ runId: runPhotos.runId, takenAt: runPhotos.takenAt })
        .from(runPhotos)
        .where(and(own(scope, runPhotos), inArray(runPhotos.runId, ids))),
    ])
    return rows.flatMap(({ run, plan: kept }): RunWithPlan[] => {
      const read = savedPlan(kept)
      if (!read) return []
      return [
        {
          id: run.id,
          planId: run.planId,
          name: kept.name,
          createdAt: run.createdAt.toISOString(),
          events: events.filter(({ runId }) => runId === run.id).map(keptEvent),
          verdicts: judged.filter(({ runId }) => runId === run.id).map(verdict),
          remarks: run.remarks as Remark[],
          teaches: run.teaches,
          photoAt: photos.find(({ runId }) => runId === run.id)?.takenAt.getTime() ?? null,
          plan: read,
        },
      ]
    })
  }

  async function run(runId: string): Promise<RunWithPlan | null> {
    const rows = await db
      .select(runWithPlan)
      .from(runs)
      .innerJoin(plans, eq(plans.id, runs.planId))
      .where(and(own(scope, runs), eq(runs.id, runId)))
    return (await withEvents(rows))[0] ?? null
  }

  return {
    plan,
    run,

    /** Stores a plan once; sent again it changes nothing. Null if the id stands for another plan already. */
    async savePlan(
      { id, name, cookerId, request, burnerId, bagIds }: SavePlan,
      cookerName: string,
      answer: PlanAnswer,
    ) {
      await db
        .insert(plans)
        .values({
          id,
          name,
          cookerId,
          cookerName,
          burnerId,
          bagIds,
          request,
          answer,
          householdId,
          memberId,
          version: PLAN_SHAPE,
        })
        .onConflictDoNothing({ target: plans.id })
      const [same] = await db
        .select({ id: plans.id })
        .from(plans)
        .where(and(own(scope, plans), eq(plans.id, id), sql`${plans.request} = ${JSON.stringify(request)}::jsonb`))
      return same ? plan(id) : null
    },

    /** Starts a run of one of the household's plans, once; null if there is no such plan or the id is another's. */
    async startRun(runId: string, planId: string): Promise<RunWithPlan | null> {
      if (!(await plan(planId))) return null
      const today = and(own(scope, runs), gt(runs.createdAt, sql`now() - interval '1 day'`), ne(runs.id, runId))
      if ((await db.$count(runs, today)) >= MOST_A_DAY) throw new LimitReached('too-many-runs', MOST_A_DAY)
      await db.transaction(async (tx) => {
        await tx
          .insert(runs)
          .values({ id: runId, householdId, memberId, planId })
          .onConflictDoNothing({ target: runs.id })
        await tellOthers(scope, tx, 'run', runId)
      })
      return run(runId)
    },

    /** A run is called as its plan is; each run has a plan of its own. */
    async renameRun(runId: string, planId: string, name: string): Promise<RunWithPlan | null> {
      await db.transaction(async (tx) => {
        await tx
          .update(plans)
          .set({ name })
          .where(and(own(scope, plans), eq(plans.id, planId)))
        await tellOthers(scope, tx, 'run', runId)
      })
      return run(runId)
    },

    /** Runs that somebody has to look after, newest first; one that was never lit does not for long. */
    async runsOn(): Promise<RunWithPlan[]> {
      const rows = await db
        .select(runWithPlan)
        .from(runs)
        .innerJoin(plans, eq(plans.id, runs.planId))
        .where(
          and(own(scope, runs), eq(runs.isOn, true), or(wasBegun, sql`${runs.createdAt} > now() - interval '3 hours'`)),
        )
        .orderBy(desc(runs.createdAt), asc(runs.id))
        .limit(MOST_ON)
      return withEvents(rows)
    },

    /** A page of the log, newest first, from a mark on. */
    async runPage(after: { createdAt: Date; id: string } | null, asked: RunFilter = {}): Promise<RunPage> {
      const wanted = and(
        own(scope, runs),
        after
          ? or(
              lt(runs.createdAt, after.createdAt),
              and(eq(runs.createdAt, after.createdAt), sql`${runs.id} > ${after.id}`),
            )
          : undefined,
        matching(asked),
      )
      const newestFirst = [desc(runs.createdAt), asc(runs.id)]
      // Which they are is found first, along the index: only their plans are read, however long the log is.
      const found = await db
        .select({ id: runs.id })
        .from(runs)
        .where(wanted)
        .orderBy(...newestFirst)
        .limit(PAGE + 1)
      const rows = await db
        .select(runWithPlan)
        .from(runs)
        .innerJoin(plans, eq(plans.id, runs.planId))
        .where(
          and(
            own(scope, runs),
            inArray(
              runs.id,
              found.map(({ id }) => id),
            ),
          ),
        )
        .orderBy(...newestFirst)
      const last = rows[PAGE - 1]?.run
      const next = rows.length > PAGE && last ? `${last.createdAt.getTime()}_${last.id}` : null
      return { runs: await withEvents(rows.slice(0, PAGE)), next }
    },
  }
}

/** Runs that are as asked for. */
function matching({ name, foods = [], cookerId, verdict }: RunFilter): SQL | undefined {
  const ofPlan = (is: SQL | undefined) =>
    is && sql`exists (select 1 from ${plans} where ${plans.id} = ${runs.planId} and ${is})`
  const inPot = foods.map((food) => sql`${plans.request}->'contents' @> ${JSON.stringify([{ food }])}::jsonb`)
  const named = name ? [sql`strpos(lower(${plans.name}), lower(${name})) > 0`] : []
  const judged = (is: SQL) => sql`exists (select 1 from ${verdicts} where ${verdicts.runId} = ${runs.id} and ${is})`
  const verdictIs = {
    hard: () => judged(sql`${verdicts.texture} < 0`),
    right: () => judged(sql`${verdicts.texture} = 0`),
    soft: () => judged(sql`${verdicts.texture} > 0`),
    none: () => sql`not ${judged(sql`true`)}`,
  }
  return and(
    ofPlan(
      and(
        inPot.length + named.length > 0 ? or(...named, ...inPot) : undefined,
        cookerId ? eq(plans.cookerId, cookerId) : undefined,
      ),
    ),
    verdict ? verdictIs[verdict]() : undefined,
  )
}

/** A kept plan does not change but for its name: what was read of it is known for the next time. */
const readPlans = new LRUCache<string, PlanDocument>({ max: 500 })

export function savedPlan(row: typeof plans.$inferSelect): SavedPlan | null {
  const { id, name, cookerId, cookerName, burnerId, bagIds, request, answer, version, createdAt } = row
  const head = { id, name, cookerId, cookerName, burnerId, bagIds, createdAt: createdAt.toISOString() }
  const known = readPlans.get(id)
  if (known) return { ...head, ...known }
  const read = readDocument(PLAN, { request, answer }, version)
  if (read.ok) {
    readPlans.set(id, read.value)
    return { ...head, ...read.value }
  }
  log.error('a kept document cannot be read', { kind: 'plan', id, reason: read.reason })
  return null
}

export function keptEvent({ id, happenedAt, data, memberId }: typeof runEvents.$inferSelect): KeptEvent {
  return { ...runEventSchema.parse({ id, at: happenedAt.getTime(), data }), by: memberId }
}

function verdict({ content, foodId, texture, water, note }: typeof verdicts.$inferSelect): Verdict {
  return { content, foodId, texture, water, note }
}
