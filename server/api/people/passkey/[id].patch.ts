import { passkeyNameSchema } from '../../../../shared/auth.schema'

/** Names a passkey of one's own. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (store.deviceId === null) throw refusal(403, { path: '', code: 'open-to-all' })
  const { label } = await readJson(event, passkeyNameSchema)
  if (!(await store.namePasskey(getRouterParam(event, 'id') ?? '', label))) throw notFound('passkey')
  setResponseStatus(event, 204)
  return null
})
