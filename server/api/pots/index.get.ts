/** The pots that the household has kept. */
export default defineEventHandler(async (event) => (await useHousehold(event)).pots())
