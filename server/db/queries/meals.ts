import { and, eq, gt } from 'drizzle-orm'
import { LENGTH } from '../../../core/bounds'
import { MINUTE_MS } from '../../../core/measure/time'
import { readDocument } from '../../../shared/document'
import type { CalendarMeal, KeptMeal } from '../../../shared/household'
import { MEAL, type Meal, type MealTask, type SaveMeal } from '../../../shared/meal.schema'
import { meals } from '../schema'
import { own, type Scope } from '../scope'
import { keptQueries, type Kept } from './kept'
import { versionQueries } from './versions'

const mealOf = ({ content: meal, name: _, favourite: __, ...rest }: Kept<Meal>): KeptMeal => ({ ...rest, meal })
const nameOf = ({ dishes }: Meal) =>
  dishes
    .map(({ dish }) => dish.name)
    .join(', ')
    .slice(0, LENGTH.potName)

/** The dinners of several dishes. */
export function mealQueries(scope: Scope) {
  const queries = keptQueries(scope, 'meal', meals, MEAL)
  async function calendarMeal(
    { id, version, updatedAt, deletedAt }: typeof meals.$inferSelect,
    meal: Meal,
  ): Promise<CalendarMeal> {
    const before = await versionQueries(scope).earlier('meal', id)
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
    meals: async (): Promise<KeptMeal[]> => (await queries.all()).map(mealOf),

    async meal(id: string): Promise<KeptMeal | null> {
      const found = await queries.one(id)
      return found && mealOf(found)
    },

    async saveMeal(id: string, { meal, version }: SaveMeal): Promise<KeptMeal | 'changed-meanwhile'> {
      const outcome = await queries.save(id, { version, favourite: false, name: nameOf(meal), content: meal })
      return outcome === 'changed-meanwhile' ? outcome : mealOf(outcome)
    },

    removeMeal: queries.remove,

    /**
     * Dinners since then for a calendar, those that were taken off too, each with the tasks that stood in an earlier
     * version and do not any more: whoever has read them is told that they are gone.
     */
    async calendarMeals(sinceMs: number, only?: string): Promise<CalendarMeal[]> {
      const rows = await scope.db
        .select()
        .from(meals)
        .where(and(own(scope, meals), gt(meals.updatedAt, new Date(sinceMs)), ...(only ? [eq(meals.id, only)] : [])))
      return Promise.all(
        rows.flatMap((row) => {
          const read = readDocument(MEAL, row.content)
          return read.ok ? [calendarMeal(row, read.value)] : []
        }),
      )
    },
  }
}
