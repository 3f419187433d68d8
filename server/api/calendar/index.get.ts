/** The private address of the household's calendar; null while there is none. */
export default defineEventHandler(async (event) => ({ token: await (await useHousehold(event)).calendarToken() }))
