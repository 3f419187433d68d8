/** Takes the household away: for thirty days an owner can have it back, then it is gone. */
export default defineEventHandler(async (event) => {
  const store = await useOwnHousehold(event)
  // The one that is open to all has no way to sign in again.
  if (store.deviceId === null) throw refusal(403, { path: '', code: 'open-to-all' })
  await store.setLeaving(new Date())
  forgetAskers(store.householdId)
  setResponseStatus(event, 204)
  return null
})
