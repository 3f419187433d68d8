/** The dishes of the household. */
export default defineEventHandler(async (event) => (await useHousehold(event)).dishes())
