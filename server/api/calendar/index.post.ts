/** Makes a new private address, told this once; the one before it no longer opens anything. */
export default defineEventHandler(async (event) => (await useHousehold(event)).newCalendarToken())
