import { forgetSchema } from '../../../shared/run.schema'

/** What was forgotten of some figures is known again. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  await store.remember((await readJson(event, forgetSchema)).figures)
  setResponseStatus(event, 204)
  return null
})
