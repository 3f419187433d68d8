import { and, asc, eq, sql } from 'drizzle-orm'
import { MOST } from '../../../core/bounds'
import { holdsPressure } from '../../../core/appliance/appliance'
import { UnreadablePlan, type LivePlan } from '../../../core/live/course'
import type { RunEvent } from '../../../core/live/event.schema'
import { needsSum, refusalOf, type RunRefusal } from '../../../core/live/refusal'
import { isRunning, runState } from '../../../core/live/run'
import { applianceOf } from '../../../core/program/answer'
import type { KeptEvent, SavedPlan } from '../../../shared/household'
import type { Verdict } from '../../../shared/run.schema'
import { runEvents, runs, verdicts } from '../schema'
import { LimitReached, own, tellOthers, type Scope } from '../scope'
import { keptEvent } from './runs'

/** So often the sum is done anew because another event came in between. */
const MOST_TRIES = 4

export type EventOutcome =
  | { stored: true; events: KeptEvent[] }
  | { stored: false; refusal: RunRefusal | 'id-taken' | 'no-run' | 'plan-unreadable' }

/** Works out from when on the pressure may be gone; elsewhere, since it may take its time. */
export type OpensFrom = (plan: LivePlan, events: RunEvent[], atMs: number) => Promise<number>

/** What happened in a run, and how its foods came out. `planOfRun` tells what a run of the household follows. */
export function eventQueries(scope: Scope, planOfRun: (runId: string) => Promise<SavedPlan | null>) {
  const { db, householdId, memberId } = scope
  return {
    /**
     * Adds an event to a run if it may be. The run is locked meanwhile, so two devices cannot both be second; an
     * event that is there already is left as it is. Where the sum has to be asked it is done outside the
     * transaction, and once more if another event came in between.
     */
    async addEvent(runId: string, event: RunEvent, nowMs: number, opensFrom: OpensFrom): Promise<EventOutcome> {
      const plan = await planOfRun(runId)
      if (!plan) return { stored: false, refusal: 'no-run' }
      const live: LivePlan = { request: plan.request, answer: plan.answer }
      const underPressure = holdsPressure(applianceOf(live.answer))
      /** From when on it may be opened, by so many events. */
      let sum: { events: number; opens: number } | null = null
      for (let tries = 0; ; tries++) {
        const outcome = await db.transaction(async (tx): Promise<EventOutcome | { ask: RunEvent[] }> => {
          const [run] = await tx
            .select({ isOn: runs.isOn, isFitted: sql<boolean>`${runs.fit} is not null` })
            .from(runs)
            .where(and(own(scope, runs), eq(runs.id, runId)))
            .for('update')
          if (!run) return { stored: false, refusal: 'no-run' }
          const rows = await tx
            .select()
            .from(runEvents)
            .where(and(own(scope, runEvents), eq(runEvents.runId, runId)))
            .orderBy(asc(runEvents.sequence))
          const before = rows.map(keptEvent)
          const known = before.find(({ id }) => id === event.id)
          if (known)
            return known.data.kind === event.data.kind
              ? { stored: true, events: before }
              : { stored: false, refusal: 'id-taken' }
          if (before.length >= MOST.runEvents) throw new LimitReached('too-many-events', MOST.runEvents)
          if (needsSum(before, event, underPressure) && sum?.events !== before.length && tries < MOST_TRIES)
            return { ask: before }
          const refusal = refusalOf(before, event, { underPressure, opensFrom: () => sum?.opens ?? Infinity }, nowMs)
          if (refusal) return { stored: false, refusal }
          const inserted = await tx
            .insert(runEvents)
            .values({
              id: event.id,
              householdId,
              memberId,
              runId,
              kind: event.data.kind,
              happenedAt: new Date(event.at),
              data: event.data,
            })
            .onConflictDoNothing({ target: runEvents.id })
            .returning({ id: runEvents.id })
          if (inserted.length === 0) return { stored: false, refusal: 'id-taken' }
          const events = [...before, { ...event, by: memberId }]
          const state = runState(events)
          const isOn = state.phase === 'ready' || isRunning(live.answer, state)
          // What it says is worked out anew with what is known now.
          if (isOn !== run.isOn || run.isFitted)
            await tx
              .update(runs)
              .set({ isOn, fit: null })
              .where(and(own(scope, runs), eq(runs.id, runId)))
          await tellOthers(scope, tx, 'run', runId)
          return { stored: true, events }
        })
        if (!('ask' in outcome)) return outcome
        try {
          sum = { events: outcome.ask.length, opens: await opensFrom(live, outcome.ask, event.at) }
        } catch (error) {
          if (error instanceof UnreadablePlan) return { stored: false, refusal: 'plan-unreadable' }
          throw error
        }
      }
    },

    /** Stores or replaces the verdict on one food of a run. */
    async judge(runId: string, { content, foodId, texture, water, note }: Verdict): Promise<void> {
      await db.transaction(async (tx) => {
        await tx
          .insert(verdicts)
          .values({ householdId, memberId, runId, content, foodId, texture, water, note })
          .onConflictDoUpdate({
            target: [verdicts.runId, verdicts.content],
            set: { foodId, texture, water, note, memberId, updatedAt: sql`now()` },
            setWhere: own(scope, verdicts),
          })
        await tellOthers(scope, tx, 'run', runId)
      })
    },
  }
}
