import { randomBytes } from 'node:crypto'
import { and, eq, gt } from 'drizzle-orm'
import { MINUTE_MS } from '../../../core/measure/time'
import { readDocument } from '../../../shared/document'
import type { CalendarMeal } from '../../../shared/household'
import { MEAL, type Meal, type MealTask } from '../../../shared/meal.schema'
import { documents, households } from '../schema'
import { own, type Scope } from '../scope'
import { documentQueries } from './documents'

/** Nobody guesses so many. */
const TOKEN_BYTES = 24

/** What calendars read of the dinners, and the private address from which they do. */
export function calendarQueries(scope: Scope) {
  const { db, householdId } = scope
  const ours = eq(households.id, householdId)
  const set = (calendarToken: string | null) => db.update(households).set({ calendarToken }).where(ours)
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
    async calendarToken(): Promise<string | null> {
      const [found] = await db.select({ token: households.calendarToken }).from(households).where(ours)
      return found?.token ?? null
    },

    /** Makes a new address; the one before it no longer opens anything. */
    async newCalendarToken(): Promise<string> {
      const token = randomBytes(TOKEN_BYTES).toString('base64url')
      await set(token)
      return token
    },

    async removeCalendarToken(): Promise<void> {
      await set(null)
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
