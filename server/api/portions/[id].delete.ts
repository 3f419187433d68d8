/** Takes what was kept off the list; keeping it again brings it back. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (!(await store.removePortion(idParam(event, 'portion')))) throw notFound('portion')
  setResponseStatus(event, 204)
  return null
})
