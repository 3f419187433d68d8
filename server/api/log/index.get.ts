/** The whole log as a file: JSON, or with `as=csv` a table. Both can be read in again. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const kept = await store.kitchen()
  if (!kept) throw notFound('kitchen')
  const file = await inTurn(`${store.householdId} log`, () => store.logFile(kept.content))
  const isTable = getQuery(event).as === 'csv'
  setHeader(event, 'content-disposition', `attachment; filename="bivvet-log.${isTable ? 'csv' : 'json'}"`)
  if (!isTable) return file
  setHeader(event, 'content-type', 'text/csv; charset=utf-8')
  return tableOf(file, kept.content)
})
