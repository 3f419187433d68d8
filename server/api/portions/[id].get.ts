/** Something that is kept. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const found = await store.portion(idParam(event, 'portion'))
  if (!found) throw notFound('portion')
  return found
})
