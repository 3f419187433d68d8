/** One dinner as a calendar file. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const [found, kitchen] = await Promise.all([store.meal(idParam(event, 'meal')), store.kitchen()])
  if (!found || !kitchen) throw notFound('meal')
  setHeader(event, 'content-disposition', 'attachment; filename="dinner.ics"')
  return sendCalendar(event, calendarOf([found], kitchen.kitchen))
})
