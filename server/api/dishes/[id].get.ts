/** One dish. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const found = await store.dish(idParam(event, 'dish'))
  if (!found) throw notFound('dish')
  return found
})
