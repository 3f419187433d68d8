/** The household's dinners, newest change first. */
export default defineEventHandler(async (event) => (await useHousehold(event)).meals())
