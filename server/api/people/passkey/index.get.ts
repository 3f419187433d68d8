import { generateRegistrationOptions } from '@simplewebauthn/server'

/** What a new passkey of this member is made from. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const me = await store.me()
  if (!me || store.deviceId === null) throw refusal(403, { path: '', code: 'open-to-all' })
  const options = await generateRegistrationOptions({
    rpID: passkeyPlace(event).id,
    rpName: 'Bivvet',
    userID: Buffer.from(me.id),
    userName: me.name,
    excludeCredentials: (await store.passkeysOfMine()).map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'preferred' },
  })
  await keepChallenge(event, options.challenge)
  return options
})
