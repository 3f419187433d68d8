/** Removes a passkey of one's own; not the last way in. */
export default defineEventHandler(async (event) => {
  const store = await useConfirmed(event)
  const me = await store.me()
  const mine = await store.passkeysOfMine()
  const id = getRouterParam(event, 'id') ?? ''
  if (!mine.some((one) => one.id === id)) throw notFound('passkey')
  if (mine.length === 1 && !me?.passwordHash) throw refusal(409, { path: '', code: 'last-way-in' })
  if (!(await store.removePasskey(id))) throw notFound('passkey')
  setResponseStatus(event, 204)
  return null
})
