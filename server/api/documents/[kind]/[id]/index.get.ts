/** One document. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { kind, id } = documentParams(event, store)
  const found = kind === 'kitchen' ? await store.kitchen() : await store.document(kind, id)
  if (!found) throw notFound(kind)
  return found
})
