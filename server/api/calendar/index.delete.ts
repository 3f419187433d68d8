/** Takes the private address back: from now on it opens nothing. */
export default defineEventHandler(async (event) => {
  await (await useHousehold(event)).removeCalendarToken()
  setResponseStatus(event, 204)
  return null
})
