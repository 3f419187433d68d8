/**
 * Brings back what of an archive is missing here: all of it or, where something is wrong with it, nothing. `check` answers
 * what would be added and writes nothing; with `kitchen=stays` a bare kitchen is not taken over.
 */
export default defineEventHandler(async (event) => {
  const store = await useOwnHousehold(event)
  const { check, kitchen } = getQuery(event)
  const kept = await store.kitchen()
  if (!kept) throw notFound('kitchen')
  const bytes = await readBytes(event, MOST_ARCHIVE_BYTES)
  const restored = await readArchive(bytes, kept.content, store.householdId)
  if (kitchen === 'stays') restored.kitchen = null
  return { added: await store.bringBack(restored, kept.content, { isTried: check !== undefined }) }
})
