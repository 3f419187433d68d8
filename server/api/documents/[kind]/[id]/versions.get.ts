/** What a document was before each of its changes, newest first. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { kind, id } = documentParams(event, store)
  return store.earlier(kind, id)
})
