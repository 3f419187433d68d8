/** The whole household as one file. */
export default defineEventHandler(async (event) => {
  const archive = await archiveOf(await useHousehold(event))
  setHeader(event, 'content-type', 'application/zip')
  setHeader(event, 'content-disposition', 'attachment; filename="bivvet-household.zip"')
  return archive
})
