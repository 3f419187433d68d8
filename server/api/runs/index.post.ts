import { isRefused } from '../../../core/safety/rules'
import { startRunSchema } from '../../../shared/plan'

/** Starts a run of a kept plan; a plan that the safety rules refuse is never started. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { id, planId } = await readJson(event, startRunSchema)
  const plan = await store.plan(planId)
  if (!plan) throw notFound('plan')
  if (isRefused(plan.answer.cautions))
    throw refusal(422, {
      path: 'planId',
      code: 'refused',
      message: 'This plan is not safe to start. Change it as its caution says.',
    })
  const run = await store.startRun(id, planId)
  if (!run || run.planId !== planId)
    throw refusal(409, { path: 'id', code: 'id-taken', message: 'That id is taken. Start the run under a new one.' })
  setResponseStatus(event, 201)
  return run
})
