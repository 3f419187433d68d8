/** Has a household back that was taken away. */
export default defineEventHandler(async (event) => {
  await (await useOwnHousehold(event, { leaving: true })).setLeaving(null)
  setResponseStatus(event, 204)
  return null
})
