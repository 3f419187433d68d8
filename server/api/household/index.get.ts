/** Who is at this device, and whose kitchen it is. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const found = await store.whoami()
  if (!found) throw notFound('household')
  return { ...found, device: store.deviceId }
})
