import { saveMealSchema } from '../../../shared/meal.schema'

/** Keeps a dinner under the id that the client made for it; sending it again with its version changes it. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const id = idParam(event, 'meal')
  const outcome = await store.saveMeal(id, await readJson(event, saveMealSchema))
  if (outcome === 'changed-meanwhile')
    throw refusal(409, { path: 'version', code: 'meal-changed' }, { now: await store.meal(id) })
  return outcome
})
