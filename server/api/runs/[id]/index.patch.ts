import { runSaidSchema } from '../../../../shared/run.schema'

/** What is said of a whole run: remarks, and whether it is to teach. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const run = await store.run(idParam(event, 'run'))
  if (!run) throw notFound('run')
  await store.saidOfRun(run.id, await readJson(event, runSaidSchema))
  return store.run(run.id)
})
