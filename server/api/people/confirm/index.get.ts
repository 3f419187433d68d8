import { generateAuthenticationOptions } from '@simplewebauthn/server'

/** What a passkey of one's own has to sign to confirm who sits here. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  if (store.deviceId === null) throw refusal(403, { path: '', code: 'open-to-all' })
  const options = await generateAuthenticationOptions({
    rpID: passkeyPlace(event).id,
    userVerification: 'preferred',
    allowCredentials: (await store.passkeysOfMine()).map(({ id }) => ({ id })),
  })
  await keepPasskeyChallenge(`confirm ${store.memberId}`, options.challenge)
  return options
})
