import { logger } from '../../logger'
import { LRUCache } from 'lru-cache'
import { DAY_MS } from '../../../core/measure/time'
import { and, asc, desc, eq, gt, inArray, lt, ne, or, sql, type SQL } from 'drizzle-orm'
import { runEventSchema } from '../../../core/live/event.schema'
import type { PlanAnswer } from '../../../core/program/answer'
import { readDocument } from '../../../shared/document'
import type { KeptEvent, RunPage, RunWithPlan, SavedPlan } from '../../../shared/household'
import type { Remark } from '../../../shared/names'
import { PLAN, type PlanDocument, type SavePlan } from '../../../shared/plan.schema'
import type { CameOut } from '../../../core/learn/log-file.schema'
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

/** An event as one question gives it with its run. */
type EventRow = Omit<KeptEvent, 'data'> & { data: unknown }

const { id, name, cookerId, cookerName, burnerId, bagIds, createdAt } = plans
const planHead = { id, name, cookerId, cookerName, burnerId, bagIds, createdAt }

const PAGE = 30
const MOST_ON = 50
/** So many pots does no household cook in a day. */
const MOST_A_DAY = 200
const MOST_PLANS_A_DAY = 1000

const wasBegun = sql`exists (select 1 from ${runEvents} where ${runEvents.runId} = ${runs.id})`

/** A run with all that happened in it, in one question; its plan without the two documents, which are known mostly. */
const wholeRun = (scope: Scope) => ({
  run: {
    id: runs.id,
    planId: runs.planId,
    createdAt: runs.createdAt,
    remarks: runs.remarks,
    teaches: runs.teaches,
    cameOut: runs.cameOut,
  },
  plan: planHead,
  events: sql<EventRow[]>`coalesce((
    select json_agg(json_build_object(
      'id', ${runEvents.id}, 'at', round(extract(epoch from ${runEvents.happenedAt}) * 1000), 'data', ${runEvents.data},
      'by', ${runEvents.memberId}) order by ${runEvents.sequence})
    from ${runEvents} where ${own(scope, runEvents)} and ${runEvents.runId} = ${runs.id}), '[]')`,
  verdicts: sql<Verdict[]>`coalesce((
    select json_agg(json_build_object(
      'content', ${verdicts.content}, 'foodId', ${verdicts.foodId}, 'texture', ${verdicts.texture},
      'water', ${verdicts.water}, 'note', ${verdicts.note}))
    from ${verdicts} where ${own(scope, verdicts)} and ${verdicts.runId} = ${runs.id}), '[]')`,
  photoAt: sql<number | null>`(
    select round(extract(epoch from ${runPhotos.takenAt}) * 1000)::float8
    from ${runPhotos} where ${own(scope, runPhotos)} and ${runPhotos.runId} = ${runs.id})`,
})

/** Plans, and the runs that follow them. */
export function runQueries(scope: Scope) {
  const { db, householdId, memberId } = scope
  const wholeRuns = () => db.select(wholeRun(scope)).from(runs).innerJoin(plans, eq(plans.id, runs.planId)).$dynamic()

  async function plan(planId: string): Promise<SavedPlan | null> {
    const [row] = await db
      .select()
      .from(plans)
      .where(and(own(scope, plans), eq(plans.id, planId)))
    return row ? savedPlan(row) : null
  }

  async function runsOf(rows: Awaited<ReturnType<typeof wholeRuns>>): Promise<RunWithPlan[]> {
    // Taken out before anything is put in, which may push out what is there.
    const known = new Map(rows.map(({ plan: { id } }) => [id, readPlans.get(id)]))
    const unread = [...known].flatMap(([id, read]) => (read ? [] : [id]))
    const documents =
      unread.length === 0
        ? []
        : await db
            .select()
            .from(plans)
            .where(and(own(scope, plans), inArray(plans.id, unread)))
    const read = new Map(documents.map((row) => [row.id, savedPlan(row)]))
    return rows.flatMap(
      ({ run: { id, planId, createdAt, remarks, teaches, cameOut }, plan: head, events, ...judged }) => {
        const before = known.get(head.id)
        const plan = before ? { ...headOf(head), ...before } : read.get(head.id)
        if (!plan) return []
        return [
          {
            id,
            planId,
            name: head.name,
            createdAt: createdAt.toISOString(),
            events: events.map(({ by, ...event }) => ({ ...runEventSchema.parse(event), by })),
            ...judged,
            remarks: remarks as Remark[],
            teaches,
            cameOut: cameOut as CameOut | null,
            plan,
          },
        ]
      },
    )
  }

  async function run(runId: string): Promise<RunWithPlan | null> {
    const rows = await wholeRuns().where(and(own(scope, runs), eq(runs.id, runId)))
    return (await runsOf(rows))[0] ?? null
  }

  /** What a run follows, which never changes; null where there is none, or none that can be read. */
  async function planOfRun(runId: string): Promise<SavedPlan | null> {
    const known = followed.get(runId)
    if (known?.householdId === householdId) return known.plan
    const [row] = await db
      .select({ planId: runs.planId })
      .from(runs)
      .where(and(own(scope, runs), eq(runs.id, runId)))
    const found = row ? await plan(row.planId) : null
    if (found) followed.set(runId, { householdId, plan: found })
    return found
  }

  return {
    plan,
    planOfRun,
    run,

    /** Stores a plan once; sent again it changes nothing. Null if the id stands for another plan already. */
    async savePlan(
      { id, name, cookerId, request, burnerId, bagIds }: SavePlan,
      cookerName: string,
      answer: PlanAnswer,
    ) {
      const today = and(own(scope, plans), gt(plans.createdAt, new Date(Date.now() - DAY_MS)))
      if ((await db.$count(plans, today)) >= MOST_PLANS_A_DAY)
        throw new LimitReached('too-many-plans', MOST_PLANS_A_DAY)
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
          shape: PLAN_SHAPE,
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
      const rows = await wholeRuns()
        .where(
          and(own(scope, runs), eq(runs.isOn, true), or(wasBegun, sql`${runs.createdAt} > now() - interval '3 hours'`)),
        )
        .orderBy(desc(runs.createdAt), asc(runs.id))
        .limit(MOST_ON)
      return runsOf(rows)
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
        matching(scope, asked),
      )
      // As the index has it: without "nulls last" it is none for this order, and the whole log is sorted.
      const newestFirst = [sql`${runs.createdAt} desc nulls last`, asc(runs.id)]
      // Which they are is found first, along the index: only their plans are read, however long the log is.
      const found = await db
        .select({ id: runs.id })
        .from(runs)
        .where(wanted)
        .orderBy(...newestFirst)
        .limit(PAGE + 1)
      const rows = await wholeRuns()
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
      return { runs: await runsOf(rows.slice(0, PAGE)), next }
    },
  }
}

/** Runs that are as asked for. */
function matching(scope: Scope, { name, foods = [], cookerId, verdict }: RunFilter): SQL | undefined {
  // Found all at once along their index, and not run by run.
  const ofPlan = (is: SQL | undefined) =>
    is && sql`${runs.planId} = any(array(select ${plans.id} from ${plans} where ${own(scope, plans)} and ${is}))`
  const inPot = foods.map((food) => sql`${plans.foods} ? ${food}`)
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

/** And which plan a run follows. */
const followed = new LRUCache<string, { householdId: string; plan: SavedPlan }>({ max: 1000 })

const headOf = ({ createdAt, ...head }: Pick<typeof plans.$inferSelect, keyof typeof planHead>) => ({
  ...head,
  createdAt: createdAt.toISOString(),
})

export function savedPlan(row: typeof plans.$inferSelect): SavedPlan | null {
  const { id, name, cookerId, cookerName, burnerId, bagIds, request, answer, shape, createdAt } = row
  const head = headOf({ id, name, cookerId, cookerName, burnerId, bagIds, createdAt })
  const known = readPlans.get(id)
  if (known) return { ...head, ...known }
  const read = readDocument(PLAN, { request, answer }, shape)
  if (read.ok) {
    readPlans.set(id, read.value)
    return { ...head, ...read.value }
  }
  logger.error('a kept document cannot be read', { kind: 'plan', id, reason: read.reason })
  return null
}

export function keptEvent({ id, happenedAt, data, memberId }: typeof runEvents.$inferSelect): KeptEvent {
  return { ...runEventSchema.parse({ id, at: happenedAt.getTime(), data }), by: memberId }
}
