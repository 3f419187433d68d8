export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const run = await store.run(idParam(event, 'run'))
  if (!run) throw notFound('run')
  await store.dropPhoto(run.id)
  return store.run(run.id)
})
