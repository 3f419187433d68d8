/** One dinner as a calendar file. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const id = idParam(event, 'meal')
  const [[found], kitchen] = await Promise.all([store.calendarMeals(0, id), store.kitchen()])
  if (!found || found.isRemoved || !kitchen) throw notFound('meal')
  setHeader(event, 'content-disposition', 'attachment; filename="dinner.ics"')
  return sendCalendar(event, calendarOf([found], kitchen.content))
})
