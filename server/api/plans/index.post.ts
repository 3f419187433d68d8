import { plan } from '../../../core/program/plan'
import { savePlanSchema } from '../../../shared/plan'

/** Keeps a plan. The answer is worked out here: what is stored is what this server would say. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const given = await readJson(event, savePlanSchema)
  if (!(await store.hasCooker(given.cookerId))) throw notFound('cooker')
  const answer = plan(given.request)
  if (!answer.ok) throw refusal(422, ...answer.problems)
  const saved = await store.savePlan(given, answer.value)
  if (!saved)
    throw refusal(409, { path: 'id', code: 'id-taken', message: 'That id is taken. Save it under a new one.' })
  setResponseStatus(event, 201)
  return saved
})
