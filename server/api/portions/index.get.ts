/** What the household has cooked and kept. */
export default defineEventHandler(async (event) => (await useHousehold(event)).portions())
