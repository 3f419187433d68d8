/** Keeps a photograph of the pot, in the place of the one before. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const run = await store.run(idParam(event, 'run'))
  if (!run) throw notFound('run')
  await store.keepPhoto(run.id, await smallPhoto(await readBytes(event, MOST_PHOTO_BYTES), store.householdId))
  return store.run(run.id)
})
