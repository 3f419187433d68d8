import { savePortionSchema } from '../../../shared/portion.schema'

/** Keeps what was cooked under the id that the client made for it; sending it again with its version changes it. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const id = idParam(event, 'portion')
  const outcome = await store.savePortion(id, await readJson(event, savePortionSchema))
  if (outcome === 'changed-meanwhile')
    throw refusal(409, { path: 'version', code: 'portion-changed' }, { now: await store.portion(id) })
  return outcome
})
