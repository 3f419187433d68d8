import { databaseOf } from '../../db/client'
import { householdStore } from '../../db/household'

/** One dinner, for a guest who has its link: what there is and when, to be read alone. */
export default defineEventHandler(async (event) => {
  const { householdId, household, mealId } = await openInvite(event, { guest: true })
  const found = await householdStore(databaseOf(householdId), readingAs(householdId)).document('meal', mealId!)
  if (!found) throw refusal(404, { path: '', code: 'no-such-link' })
  const { servedAt, dishes } = found.content
  return { household, servedAt, dishes: dishes.map(({ dish }) => dish.name) }
})
