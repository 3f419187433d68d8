import { generateRegistrationOptions } from '@simplewebauthn/server'

/** What a new passkey of this member is made from. */
export default defineEventHandler(async (event) => {
  const store = await useConfirmed(event)
  const me = await store.me()
  if (!me) throw notFound('member')
  const options = await generateRegistrationOptions({
    rpID: passkeyPlace(event).id,
    rpName: 'Bivvet',
    userID: Buffer.from(me.id),
    userName: me.name,
    excludeCredentials: (await store.passkeysOfMine()).map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'preferred' },
  })
  await keepPasskeyChallenge(`add ${me.id}`, options.challenge)
  return options
})
