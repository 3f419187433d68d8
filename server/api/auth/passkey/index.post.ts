import { verifyAuthenticationResponse } from '@simplewebauthn/server'
import { passkeySchema } from '../../../../shared/auth.schema'
import { authDatabase } from '../../../db/client'
import { passkeyOf, usedPasskey } from '../../../db/auth'

/** Comes in by a passkey. */
export default defineEventHandler(async (event) => {
  const { response } = await readJson(event, passkeySchema)
  await countTry('address', addressOf(event))
  const challenge = await takeChallenge(event)
  const auth = authDatabase()
  const found = await passkeyOf(auth, response.id)
  if (!found) throw refusal(403, { path: '', code: 'unknown-passkey' })
  const { passkey } = found
  const { id, origin } = passkeyPlace(event)
  const verified = await verifyAuthenticationResponse({
    response: response as never,
    expectedChallenge: challenge,
    expectedOrigin: origin,
    expectedRPID: id,
    requireUserVerification: false,
    credential: {
      id: passkey.id,
      publicKey: Buffer.from(passkey.publicKey, 'base64url'),
      counter: passkey.counter,
    },
  }).catch(() => null)
  if (!verified?.verified) throw refusal(403, { path: '', code: 'unknown-passkey' })
  await usedPasskey(auth, passkey.id, verified.authenticationInfo.newCounter)
  await uncountTry('address', addressOf(event))
  await comeIn(event, found)
  setResponseStatus(event, 204)
  return null
})
