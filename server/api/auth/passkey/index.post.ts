import { passkeySchema } from '../../../../shared/auth.schema'

/** Comes in by a passkey. */
export default defineEventHandler(async (event) => {
  const { response } = await readJson(event, passkeySchema)
  const address = addressOf(event)
  await countTry('address', address)
  const found = await memberOfPasskey(event, response, 'sign-in')
  await uncountTry('address', address)
  await comeIn(event, found, 'passkey')
  setResponseStatus(event, 204)
  return null
})
