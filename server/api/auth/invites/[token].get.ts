/** Into which household a link leads, and who has made it: asked before anything happens. */
export default defineEventHandler(async (event) => {
  const { household, by } = await openInvite(event)
  const here = await askerOf(event)
  // Who is in another household, or in this one, is to know before pressing.
  return { household, by, isIn: here !== null && here.deviceId !== null }
})
