import { verifyRegistrationResponse } from '@simplewebauthn/server'
import { passkeySchema } from '../../../../shared/auth.schema'

/** Keeps a new passkey of this member. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (store.deviceId === null) throw refusal(403, { path: '', code: 'open-to-all' })
  const { response } = await readJson(event, passkeySchema)
  const challenge = await takeChallenge(event)
  const { id, origin } = passkeyPlace(event)
  const verified = await verifyRegistrationResponse({
    response: response as never,
    expectedChallenge: challenge,
    expectedOrigin: origin,
    expectedRPID: id,
    requireUserVerification: false,
  }).catch(() => null)
  if (!verified?.registrationInfo) throw refusal(422, { path: '', code: 'unknown-passkey' })
  const { credential, credentialBackedUp } = verified.registrationInfo
  await store.addPasskey({
    id: credential.id,
    publicKey: Buffer.from(credential.publicKey).toString('base64url'),
    counter: credential.counter,
    backedUp: credentialBackedUp,
    transports: credential.transports ?? [],
  })
  setResponseStatus(event, 201)
  return null
})
