/** Goes out at this device. */
export default defineEventHandler(async (event) => {
  await goOut(event)
  setResponseStatus(event, 204)
  return null
})
