import { and, eq, gt } from 'drizzle-orm'
import { DAY_MS, MINUTE_MS } from '../../../core/measure/time'
import { readDocument } from '../../../shared/document'
import type { CalendarMeal } from '../../../shared/household'
import { MEAL, type Meal, type MealTask } from '../../../shared/meal.schema'
import { digestOf, newToken } from '../auth'
import { documents, households } from '../schema'
import { own, type Scope } from '../scope'
import { documentQueries } from './documents'

/** A calendar is subscribed to anew about once a year. */
const CALENDAR_MS = 400 * DAY_MS

/** What calendars read of the dinners, and the private address from which they do. */
export function calendarQueries(scope: Scope) {
  const { db, householdId } = scope
  const ours = eq(households.id, householdId)
  const set = (calendarDigest: string | null, calendarUntil: Date | null) =>
    db.update(households).set({ calendarDigest, calendarUntil }).where(ours)
  async function calendarMeal(
    { id, version, updatedAt, deletedAt }: typeof documents.$inferSelect,
    meal: Meal,
  ): Promise<CalendarMeal> {
    const before = await documentQueries(scope).earlier('meal', id)
    const gone = new Map<string, MealTask>()
    // Newest first: a task that went is told as it stood last, in minutes of the hour that stands now.
    for (const { content } of before) {
      const earlier = content as Meal
      const by = Math.round((earlier.servedAt - meal.servedAt) / MINUTE_MS)
      for (const task of earlier.tasks)
        if (!gone.has(task.id)) gone.set(task.id, { ...task, startMinute: task.startMinute + by })
    }
    for (const task of meal.tasks) if (deletedAt === null) gone.delete(task.id)
    if (deletedAt !== null) for (const task of meal.tasks) gone.set(task.id, task)
    return {
      id,
      version,
      meal,
      updatedAt: updatedAt.toISOString(),
      gone: [...gone.values()],
      isRemoved: deletedAt !== null,
    }
  }
  return {
    /** Until when the address opens the calendar; null while there is none. */
    async calendarUntil(nowMs = Date.now()): Promise<number | null> {
      const [found] = await db.select({ until: households.calendarUntil }).from(households).where(ours)
      const until = found?.until?.getTime() ?? null
      return until !== null && until > nowMs ? until : null
    },

    /** Makes a new address, told this once; the one before it no longer opens anything. */
    async newCalendarToken(nowMs = Date.now()): Promise<{ token: string; until: number }> {
      const token = newToken()
      const until = nowMs + CALENDAR_MS
      await set(digestOf(token), new Date(until))
      return { token, until }
    },

    async removeCalendarToken(): Promise<void> {
      await set(null, null)
    },

    /**
     * Dinners since then for a calendar, those that were taken off too, each with the tasks that stood in an earlier
     * version and do not any more: whoever has read them is told that they are gone.
     */
    async calendarMeals(sinceMs: number, only?: string): Promise<CalendarMeal[]> {
      const rows = await scope.db
        .select()
        .from(documents)
        .where(
          and(
            own(scope, documents),
            eq(documents.kind, 'meal'),
            gt(documents.updatedAt, new Date(sinceMs)),
            only ? eq(documents.id, only) : undefined,
          ),
        )
      return Promise.all(
        rows.flatMap((row) => {
          const read = readDocument(MEAL, row.content)
          return read.ok ? [calendarMeal(row, read.value)] : []
        }),
      )
    },
  }
}
