/** Takes a dinner off the list; keeping it again brings it back. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (!(await store.removeMeal(idParam(event, 'meal')))) throw notFound('meal')
  setResponseStatus(event, 204)
  return null
})
