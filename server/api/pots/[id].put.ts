import { savePotSchema } from '../../../shared/potSchema'

/** Keeps a pot under the id that the client made for it; sending it again with its version changes it. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const id = idParam(event, 'pot')
  const outcome = await store.savePot(id, await readJson(event, savePotSchema))
  if (outcome === 'changed-meanwhile')
    throw refusal(409, {
      path: 'version',
      code: 'changed-meanwhile',
      message: 'This pot was changed on another device meanwhile. Keep yours under another name, or open it again.',
    })
  return outcome
})
