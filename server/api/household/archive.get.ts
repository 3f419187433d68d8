/** The whole household as one file. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const archive = await inTurn(`${store.householdId} log`, () => archiveOf(store))
  setHeader(event, 'content-type', 'application/zip')
  setHeader(event, 'content-disposition', 'attachment; filename="bivvet-household.zip"')
  return archive
})
