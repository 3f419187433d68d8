/** Takes a dish off the list; keeping it again brings it back. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (!(await store.removeDish(idParam(event, 'dish')))) throw notFound('dish')
  setResponseStatus(event, 204)
  return null
})
