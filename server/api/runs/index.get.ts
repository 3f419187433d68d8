export default defineEventHandler(async (event) => (await useHousehold(event)).runs())
