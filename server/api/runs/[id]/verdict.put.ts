import { verdictSchema } from '../../../../shared/run'

export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const run = await store.run(idParam(event, 'run'))
  if (!run) throw notFound('run')
  const verdict = await readJson(event, verdictSchema)
  if (!run.plan.answer.foods.some(({ food }) => food === verdict.foodId))
    throw refusal(422, { path: 'foodId', code: 'unknown-food', message: 'That food was not in this pot.' })
  await store.judge(run.id, verdict)
  return store.run(run.id)
})
