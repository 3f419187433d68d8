import { generateAuthenticationOptions } from '@simplewebauthn/server'

/** What a passkey has to sign to come in. */
export default defineEventHandler(async (event) => {
  const options = await generateAuthenticationOptions({ rpID: passkeyPlace(event).id, userVerification: 'preferred' })
  await keepChallenge(event, options.challenge)
  return options
})
