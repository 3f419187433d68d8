import { isRefused } from '../../../core/safety/rules'
import { startRunSchema } from '../../../shared/plan.schema'

/** Starts a run of a kept plan; a plan that the safety rules refuse is never started. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { id, planId, potId } = await readJson(event, startRunSchema)
  const plan = await store.plan(planId)
  if (!plan) throw notFound('plan')
  if (isRefused(plan.answer.cautions)) throw refusal(422, { path: 'planId', code: 'plan-refused' })
  const run = await store.startRun(id, planId)
  if (!run || run.planId !== planId) throw refusal(409, { path: 'id', code: 'id-taken' })
  const pot = potId ? await store.endSoak(potId) : null
  setResponseStatus(event, 201)
  return { ...run, pot }
})
