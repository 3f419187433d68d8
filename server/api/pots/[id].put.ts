import { savePotSchema } from '../../../shared/pot.schema'

/** Keeps a pot under the id that the client made for it; sending it again with its version changes it. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const id = idParam(event, 'pot')
  const outcome = await store.savePot(id, await readJson(event, savePotSchema))
  if (outcome === 'changed-meanwhile')
    throw refusal(409, { path: 'version', code: 'pot-changed' }, { now: await store.pot(id) })
  return outcome
})
