/** Takes a link back that nobody has used. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (!(await store.takeBackInvite(idParam(event, 'link')))) throw notFound('link')
  setResponseStatus(event, 204)
  return null
})
