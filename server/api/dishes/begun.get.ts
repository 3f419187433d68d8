/** How far the dishes are that are being cooked. */
export default defineEventHandler(async (event) => (await useHousehold(event)).begunDishes())
