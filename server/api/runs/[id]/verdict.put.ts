import { verdictSchema } from '../../../../shared/run.schema'

export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const run = await store.run(idParam(event, 'run'))
  if (!run) throw notFound('run')
  const verdict = await readJson(event, verdictSchema)
  if (run.plan.answer.foods[verdict.content]?.food !== verdict.foodId)
    throw refusal(422, { path: 'foodId', code: 'food-not-in-pot' })
  await store.judge(run.id, verdict)
  return store.run(run.id)
})
