/** Takes a document off the list; keeping it again brings it back. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { kind, id } = documentParams(event, store)
  // A household without a kitchen is none.
  if (kind === 'kitchen' || !(await store.remove(kind, id))) throw notFound(kind)
  setResponseStatus(event, 204)
  return null
})
