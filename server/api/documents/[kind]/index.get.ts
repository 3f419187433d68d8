/** What the household keeps of a kind, newest change first. */
export default defineEventHandler(async (event) => (await useHousehold(event)).documents(kindParam(event)))
