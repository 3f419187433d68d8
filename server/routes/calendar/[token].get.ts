import { authDatabase, databaseOf } from '../../db/client'
import { householdByCalendar } from '../../db/auth'
import { householdStore } from '../../db/household'

/** A dinner stays in the calendar for a while after it. */
const KEPT_MS = 30 * 86_400_000

/** The household's dinners, for a calendar that has the private address. */
export default defineEventHandler(async (event) => {
  const token = (getRouterParam(event, 'token') ?? '').replace(/\.ics$/, '')
  const householdId = /^[\w-]{20,64}$/.test(token) ? await householdByCalendar(authDatabase(), token) : null
  if (!householdId) throw notFound('calendar')
  const store = householdStore(databaseOf(householdId), readingAs(householdId))
  const since = Date.now() - KEPT_MS
  const [meals, kitchen] = await Promise.all([store.calendarMeals(since), store.kitchen()])
  if (!kitchen) throw notFound('calendar')
  const shown = meals.filter(({ meal }) => meal.servedAt > since)
  return sendCalendar(event, calendarOf(shown, kitchen.content))
})
