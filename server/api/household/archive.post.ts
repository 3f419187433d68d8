/** Brings back what of an archive is missing here: all of it or, where something is wrong with it, nothing. */
export default defineEventHandler(async (event) => {
  const store = await useOwnHousehold(event)
  const kept = await store.kitchen()
  if (!kept) throw notFound('kitchen')
  const bytes = await readBytes(event, MOST_ARCHIVE_BYTES)
  const restored = await readArchive(bytes, kept.content, store.householdId)
  return { added: await store.bringBack(restored, kept.content) }
})
