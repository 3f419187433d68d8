/** With `on` the runs that somebody has to look after; otherwise a page of the log, newest first, from `after` on. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (getQuery(event).on !== undefined) return { runs: await store.runsOn(), next: null }
  return store.runPage(pageMark(event))
})
