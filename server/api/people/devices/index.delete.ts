/** Signs out all of one's own devices but this one. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (store.deviceId === null) throw refusal(403, { path: '', code: 'open-to-all' })
  await store.endOtherDevices(store.deviceId)
  forgetAskers(store.householdId)
  setResponseStatus(event, 204)
  return null
})
