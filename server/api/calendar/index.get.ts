/** Until when the household's private calendar address opens; null while there is none. The address is not kept. */
export default defineEventHandler(async (event) => ({ until: await (await useHousehold(event)).calendarUntil() }))
