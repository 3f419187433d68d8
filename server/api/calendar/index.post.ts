/** Makes a new private address; the one before it no longer opens anything. */
export default defineEventHandler(async (event) => ({ token: await (await useHousehold(event)).newCalendarToken() }))
