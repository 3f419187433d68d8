import { generateAuthenticationOptions } from '@simplewebauthn/server'

/** What a passkey has to sign to come in. */
export default defineEventHandler(async (event) => {
  await countTry('address', addressOf(event))
  const options = await generateAuthenticationOptions({ rpID: passkeyPlace(event).id, userVerification: 'preferred' })
  await keepPasskeyChallenge('sign-in', options.challenge)
  return options
})
