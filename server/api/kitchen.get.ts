/** The kitchen, with its version. */
export default defineEventHandler(async (event) => {
  const kitchen = await (await useHousehold(event)).kitchen()
  if (!kitchen) {
    await clearUserSession(event)
    throw notFound('kitchen')
  }
  return kitchen
})
