/** Has a household back that was taken away. */
export default defineEventHandler(async (event) => {
  const store = await useOwnHousehold(event, { leaving: true })
  await store.setLeaving(null)
  forgetAskers(store.householdId)
  setResponseStatus(event, 204)
  return null
})
