/** One kept pot. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const found = await store.pot(idParam(event, 'pot'))
  if (!found) throw notFound('pot')
  return found
})
