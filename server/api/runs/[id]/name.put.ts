import { runNameSchema } from '../../../../shared/plan.schema'

/** Calls a run by another name, in the log and at the stove. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const run = await store.run(idParam(event, 'run'))
  if (!run) throw notFound('run')
  const { name } = await readJson(event, runNameSchema)
  return store.renameRun(run.id, run.planId, name)
})
