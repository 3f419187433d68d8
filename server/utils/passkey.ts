import { verifyAuthenticationResponse } from '@simplewebauthn/server'
import type { H3Event } from 'h3'
import { authDatabase } from '../db/client'
import { passkeyOf, usedPasskey } from '../db/auth'

/** What passkeys of this address belong to. */
export function passkeyPlace(event: H3Event): { id: string; origin: string } {
  const { origin, hostname } = getRequestURL(event)
  return { id: hostname, origin }
}

/** Whose passkey has signed what it was asked for this purpose; a refusal where none has. */
export async function memberOfPasskey(event: H3Event, response: { id: string }, purpose: string) {
  const auth = authDatabase()
  const { id, origin } = passkeyPlace(event)
  const found = await passkeyOf(auth, response.id)
  const verified =
    found &&
    (await verifyAuthenticationResponse({
      response: response as never,
      expectedChallenge: takesChallenge(purpose),
      expectedOrigin: origin,
      expectedRPID: id,
      requireUserVerification: false,
      credential: {
        id: found.passkey.id,
        publicKey: Buffer.from(found.passkey.publicKey, 'base64url'),
        counter: found.passkey.counter,
      },
    }).catch(() => null))
  if (!found || !verified?.verified) throw refusal(403, { path: '', code: 'unknown-passkey' })
  await usedPasskey(auth, found.passkey.id, verified.authenticationInfo.newCounter)
  return found
}
