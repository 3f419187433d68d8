import { saveDishSchema } from '../../../shared/dish.schema'

/** Keeps a dish under the id that the client made for it; sending it again with its version changes it. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const id = idParam(event, 'dish')
  const outcome = await store.saveDish(id, await readJson(event, saveDishSchema))
  if (outcome === 'changed-meanwhile')
    throw refusal(409, { path: 'version', code: 'dish-changed' }, { now: await store.dish(id) })
  return outcome
})
