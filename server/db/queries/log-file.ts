import type { CameOut, LogFile, LogFileRun } from '../../../core/learn/log-file.schema'
import { and, asc, eq, getTableColumns, inArray, sql } from 'drizzle-orm'
import { v5 as uuidOf, validate as isUuid } from 'uuid'
import { eventsOfRun } from '../../../core/learn/log-file'
import { isRunning, runState } from '../../../core/live/run'
import type { RunEvent } from '../../../core/live/event.schema'
import type { PlanAnswer } from '../../../core/program/answer'
import type { PlanRequest } from '../../../core/program/request.schema'
import type { Kitchen } from '../../../shared/kitchen'
import type { Remark } from '../../../shared/names'
import { PLAN_SHAPE } from '../../../shared/shapes'
import { plans, runEvents, runs, verdicts } from '../schema'
import { LimitReached, own, tellOthers, type Scope, type Transaction } from '../scope'
import { savedPlan } from './runs'

/** A household cooks no more in a lifetime; what is taken in ends here too. */
const MOST_RUNS = 50_000
/** So many rows go into one statement. */
const AT_A_TIME = 500

/** A plan without its answer, which is many times larger than what was asked and is in no file; of an older shape, all of it. */
const askedPlan = {
  ...getTableColumns(plans),
  answer: sql<unknown>`case when ${plans.shape} < ${PLAN_SHAPE} then ${plans.answer} end`,
}

/** What was asked, as it is written today; null where it cannot be read any more. */
const requestOf = (plan: typeof plans.$inferSelect): PlanRequest | null =>
  plan.shape === PLAN_SHAPE ? (plan.request as PlanRequest) : (savedPlan(plan)?.request ?? null)

/** The whole log, out as a file and in again. */
export function logFileQueries(scope: Scope) {
  const { db, householdId, memberId } = scope
  const newId = (id: string) => uuidOf(id, householdId)
  /** What stands in the kitchen, or was stored before, keeps its id. */
  const hereOf = (id: string) => (isUuid(id) ? id.toLowerCase() : newId(id))
  return {
    /** Every run with its request, its events and verdicts, the oldest first. */
    async logFile({ bags, cookers }: Kitchen): Promise<LogFile> {
      const rows = await db
        .select({ run: runs, plan: askedPlan })
        .from(runs)
        .innerJoin(plans, eq(plans.id, runs.planId))
        .where(own(scope, runs))
        .orderBy(asc(runs.createdAt), asc(runs.id))
      const [events, judged] = await Promise.all([
        db.select().from(runEvents).where(own(scope, runEvents)).orderBy(asc(runEvents.sequence)),
        db.select().from(verdicts).where(own(scope, verdicts)).orderBy(asc(verdicts.content)),
      ])
      const eventsOf = byRun(events)
      const judgedOf = byRun(judged)
      return {
        runs: rows.flatMap(({ run, plan }): LogFileRun[] => {
          const request = requestOf(plan)
          if (!request || plan.cookerId === null) return []
          return [
            {
              id: run.id,
              name: plan.name,
              cooker: plan.cookerId,
              burner: plan.burnerId,
              bags: plan.bagIds ?? [],
              request,
              // What was stored had been checked.
              events: (eventsOf.get(run.id) ?? []).map(({ id, happenedAt, data }) => ({
                id,
                at: happenedAt.getTime(),
                data: data as RunEvent['data'],
              })),
              verdicts: (judgedOf.get(run.id) ?? []).map(({ content, foodId, texture, water, note }) => ({
                content,
                food: foodId,
                texture,
                water,
                note,
              })),
              remarks: run.remarks as string[],
              teaches: run.teaches,
              ...(run.cameOut ? { cameOut: run.cameOut as CameOut } : {}),
            },
          ]
        }),
        bags: bags.map(({ id, foodId, boughtOn }) => ({ id, food: foodId, boughtOn })),
        gaskets: cookers.flatMap(({ id, gaskets = [] }) => gaskets.map((at) => ({ cooker: id, at }))),
      }
    },

    /**
     * Stores runs that are not there yet, all or none. Each gets an id of its own in this household, the same every
     * time it is read in: the same log may be another household's too. Answers how many were new.
     */
    addRuns: (found: Parameters<typeof addRunsIn>[1], kitchen: Kitchen): Promise<number> =>
      db.transaction(async (tx) => (await addRunsIn(tx, found, kitchen)).added),

    /**
     * The same for a table that may have been edited: of runs that are there already, names, verdicts and notes are
     * taken over where they differ. What was emptied stays. Answers how many were new, and how many changed.
     */
    takeEdited: (found: Parameters<typeof addRunsIn>[1], kitchen: Kitchen) =>
      db.transaction(async (tx) => {
        const { added, ids, fresh } = await addRunsIn(tx, found, kitchen)
        let changed = 0
        for (const { run } of found) {
          const runId = ids.get(run.id)!
          if (!fresh.has(runId) && (await correct(tx, runId, run))) changed++
        }
        if (changed > 0) await tellOthers(scope, tx, 'learnt', householdId)
        return { added, changed }
      }),

    addRunsIn,
  }

  /** Takes over a run's name, verdicts and notes; answers whether anything was different. */
  async function correct(tx: Transaction, runId: string, { name, verdicts: said = [], request }: LogFileRun) {
    let isChanged = false
    const ofRun = and(own(scope, runs), eq(runs.id, runId))
    const [plan] = await tx
      .select({ id: plans.id, name: plans.name })
      .from(plans)
      .innerJoin(runs, eq(runs.planId, plans.id))
      .where(ofRun)
    if (plan && name && name !== plan.name) {
      await tx
        .update(plans)
        .set({ name })
        .where(and(own(scope, plans), eq(plans.id, plan.id)))
      isChanged = true
    }
    const before = await tx
      .select()
      .from(verdicts)
      .where(and(own(scope, verdicts), eq(verdicts.runId, runId)))
    for (const { content, texture, water, note = '' } of said) {
      const was = before.find((one) => one.content === content)
      if (was && was.texture === texture && was.water === water && was.note === note) continue
      await tx
        .insert(verdicts)
        .values({
          householdId,
          memberId,
          runId,
          content,
          foodId: request.contents[content]!.food,
          texture,
          water,
          note,
        })
        .onConflictDoUpdate({
          target: [verdicts.runId, verdicts.content],
          set: { texture, water, note, memberId, updatedAt: sql`now()` },
          setWhere: own(scope, verdicts),
        })
      isChanged = true
    }
    if (isChanged) await tellOthers(scope, tx, 'run', runId)
    return isChanged
  }

  /** The same as a part of something greater; also what the runs are called here, by what the file calls them. */
  async function addRunsIn(
    tx: Transaction,
    found: readonly { run: LogFileRun; answer: PlanAnswer }[],
    { cookers }: Pick<Kitchen, 'cookers'>,
  ): Promise<{ added: number; ids: Map<string, string>; fresh: Set<string> }> {
    const ids = found.flatMap(({ run }) => [hereOf(run.id), newId(run.id)])
    const there = new Set<string>()
    for (let i = 0; i < ids.length; i += AT_A_TIME)
      for (const { id } of await tx
        .select({ id: runs.id })
        .from(runs)
        .where(and(own(scope, runs), inArray(runs.id, ids.slice(i, i + AT_A_TIME)))))
        there.add(id)
    if ((await tx.$count(runs, own(scope, runs))) + found.length - there.size > MOST_RUNS)
      throw new LimitReached('too-many-in-log', MOST_RUNS)
    const fresh = found.filter(({ run }) => !there.has(hereOf(run.id)) && !there.has(newId(run.id)))
    for (const { run, answer } of fresh) {
      const runId = newId(run.id)
      const planId = uuidOf(`plan ${runId}`, householdId)
      const events = eventsOfRun(run)
      const cookerId = hereOf(run.cooker)
      const state = runState(events)
      const createdAt = new Date(events[0]?.at ?? 0)
      await tx.insert(plans).values({
        id: planId,
        householdId,
        memberId,
        name: run.name ?? run.id,
        cookerId,
        cookerName: cookers.find(({ id }) => id === cookerId)?.name ?? run.cooker,
        burnerId: run.burner ? hereOf(run.burner) : null,
        bagIds: (run.bags ?? []).map((bag) => bag && hereOf(bag)),
        shape: PLAN_SHAPE,
        request: run.request,
        answer,
        createdAt,
      })
      await tx.insert(runs).values({
        id: runId,
        householdId,
        memberId,
        planId,
        isOn: isRunning(answer, state),
        teaches: run.teaches ?? true,
        remarks: (run.remarks ?? []) as Remark[],
        cameOut: run.cameOut ?? null,
        createdAt,
      })
      if (events.length > 0)
        await tx.insert(runEvents).values(
          events.map(({ id, at, data }) => ({
            id: newId(`${runId} ${id}`),
            householdId,
            memberId,
            runId,
            kind: data.kind,
            happenedAt: new Date(at),
            data: pointing(data, (to) => newId(`${runId} ${to}`)),
          })),
        )
      const judged = run.verdicts ?? []
      if (judged.length > 0)
        await tx.insert(verdicts).values(
          judged.map(({ content, texture, water, note }) => ({
            householdId,
            memberId,
            runId,
            content,
            foodId: run.request.contents[content]!.food,
            texture,
            water,
            note: note ?? '',
          })),
        )
    }
    if (fresh.length > 0) await tellOthers(scope, tx, 'learnt', householdId)
    const hereAs = ({ run }: (typeof found)[number]) =>
      [run.id, there.has(hereOf(run.id)) ? hereOf(run.id) : newId(run.id)] as const
    return {
      added: fresh.length,
      ids: new Map(found.map(hereAs)),
      fresh: new Set(fresh.map(({ run }) => newId(run.id))),
    }
  }
}

function byRun<Row extends { runId: string }>(rows: readonly Row[]): Map<string, Row[]> {
  const found = new Map<string, Row[]>()
  for (const row of rows) {
    const own = found.get(row.runId)
    if (own) own.push(row)
    else found.set(row.runId, [row])
  }
  return found
}

/** What speaks of another event speaks of it by its new id. */
function pointing(data: RunEvent['data'], idOf: (id: string) => string): RunEvent['data'] {
  if ('of' in data) return { ...data, of: idOf(data.of) }
  return 'before' in data ? { ...data, before: idOf(data.before) } : data
}
