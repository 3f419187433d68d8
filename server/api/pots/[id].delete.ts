/** Takes a pot off the list; keeping it again brings it back. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (!(await store.removePot(idParam(event, 'pot')))) throw notFound('pot')
  setResponseStatus(event, 204)
  return null
})
