export default defineEventHandler(async (event) => {
  const run = await (await useHousehold(event)).run(idParam(event, 'run'))
  if (!run) throw notFound('run')
  return run
})
