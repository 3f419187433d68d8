import { verifyRegistrationResponse } from '@simplewebauthn/server'
import { newPasskeySchema } from '../../../../shared/auth.schema'

/** Keeps a new passkey of this member. */
export default defineEventHandler(async (event) => {
  const store = await useConfirmed(event)
  const { response, label } = await readJson(event, newPasskeySchema)
  const { id, origin } = passkeyPlace(event)
  const verified = await verifyRegistrationResponse({
    response: response as never,
    expectedChallenge: takesChallenge(`add ${store.memberId}`),
    expectedOrigin: origin,
    expectedRPID: id,
    requireUserVerification: false,
  }).catch(() => null)
  if (!verified?.registrationInfo) throw refusal(422, { path: '', code: 'unknown-passkey' })
  const { credential, credentialBackedUp } = verified.registrationInfo
  const outcome = await store.addPasskey({
    id: credential.id,
    publicKey: Buffer.from(credential.publicKey).toString('base64url'),
    counter: credential.counter,
    backedUp: credentialBackedUp,
    transports: credential.transports ?? [],
    label,
  })
  if (outcome === 'taken') throw refusal(409, { path: '', code: 'passkey-taken' })
  if (outcome === 'too-many') throw refusal(409, { path: '', code: 'too-many-passkeys' })
  setResponseStatus(event, 201)
  return null
})
