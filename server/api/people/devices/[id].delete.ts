/** Signs a device out: one's own, or as an owner any. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const id = idParam(event, 'device')
  const { devices } = await store.people()
  const device = devices.find((one) => one.id === id)
  if (!device) throw notFound('device')
  if (device.memberId !== store.memberId && store.role !== 'owner')
    throw refusal(403, { path: '', code: 'owners-only' })
  await store.endDevice(id)
  forgetAskers(store.householdId)
  setResponseStatus(event, 204)
  return null
})
