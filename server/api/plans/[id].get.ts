export default defineEventHandler(async (event) => {
  const saved = await (await useHousehold(event)).plan(idParam(event, 'plan'))
  if (!saved) throw notFound('plan')
  return saved
})
