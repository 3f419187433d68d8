import { inviteSchema } from '../../../../shared/auth.schema'
import { momentOf } from '../../../../shared/meal'

/** A guest's link can be read until the day after. */
const GUEST_MINUTES = 24 * 60

/** Makes a one-time link that lets somebody in, or one by which a guest reads a dinner. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { mealId } = await readJson(event, inviteSchema)
  const meal = mealId ? await store.document('meal', mealId) : null
  if (mealId && !meal) throw notFound('dinner')
  if (!mealId && store.role !== 'owner') throw refusal(403, { path: '', code: 'owners-only' })
  const until = meal ? new Date(Math.max(Date.now(), momentOf(meal.content, 0)) + GUEST_MINUTES * 60_000) : undefined
  const made = await store.invite(mealId, until)
  if (!made) throw refusal(409, { path: '', code: 'too-many-links' })
  setResponseStatus(event, 201)
  return made
})
