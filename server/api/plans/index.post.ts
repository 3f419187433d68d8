import { savePlanSchema } from '../../../shared/plan.schema'

/** Keeps a plan. The answer is worked out here: what is stored is what this server would say. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const given = await readJson(event, savePlanSchema)
  const cooker = (await store.kitchen())?.content.cookers.find(({ id }) => id === given.cookerId)
  if (!cooker) throw notFound('cooker')
  const answer = await askWorker(store.householdId).plan(given.request)
  if (!answer.ok) throw refusal(422, answer.problems)
  const saved = await store.savePlan(given, cooker.name, answer.value)
  if (!saved) throw refusal(409, { path: 'id', code: 'id-taken' })
  setResponseStatus(event, 201)
  return saved
})
