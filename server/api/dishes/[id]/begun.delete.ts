/** A dish is cooked no more: the next time begins anew. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (!(await store.endBegun(idParam(event, 'dish')))) throw notFound('dish')
  setResponseStatus(event, 204)
  return null
})
