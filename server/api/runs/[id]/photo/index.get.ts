export default defineEventHandler(async (event) => {
  const jpeg = await (await useHousehold(event)).photo(idParam(event, 'run'))
  if (!jpeg) throw notFound('photograph')
  setHeader(event, 'content-type', 'image/jpeg')
  return jpeg
})
