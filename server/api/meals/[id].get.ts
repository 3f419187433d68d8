/** One dinner. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const found = await store.meal(idParam(event, 'meal'))
  if (!found) throw notFound('meal')
  return found
})
