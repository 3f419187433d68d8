/** Who is at this device, and whose kitchen it is. */
export default defineEventHandler(async (event) => {
  const found = await (await useHousehold(event)).whoami()
  if (!found) throw notFound('household')
  return found
})
