/** Lets a member go: as an owner any, else oneself. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const id = idParam(event, 'member')
  if (store.deviceId === null) throw refusal(403, { path: '', code: 'open-to-all' })
  if (id !== store.memberId && store.role !== 'owner') throw refusal(403, { path: '', code: 'owners-only' })
  refuseUnless(await store.letGo(id))
  forgetAskers(store.householdId)
  setResponseStatus(event, 204)
  return null
})
