import { meSchema } from '../../../shared/auth.schema'

/** Changes what one is called and comes in by. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { name, signInName, password, oldPassword } = await readJson(event, meSchema)
  // The one who is not in by a device is anybody.
  if (store.deviceId === null && (signInName ?? password) !== undefined)
    throw refusal(403, { path: '', code: 'open-to-all' })
  const me = await store.me()
  if (!me) throw notFound('member')
  if (signInName !== undefined || password !== undefined) {
    if (me.passwordHash && oldPassword !== undefined) {
      await countTry('device', store.deviceId!)
      if (!(await verifyPassword(me.passwordHash, oldPassword)))
        throw refusal(403, { path: 'oldPassword', code: 'wrong-password' })
      await uncountTry('device', store.deviceId!)
    } else await useConfirmed(event)
  }
  if (password !== undefined && !(signInName ?? me.signInName))
    throw refusal(422, { path: 'signInName', code: 'name-and-password' })
  const changed = await store.changeMe({
    ...(name === undefined ? {} : { name }),
    ...(signInName === undefined ? {} : { signInName }),
    ...(password === undefined ? {} : { passwordHash: await hashPassword(password) }),
  })
  // Whoever tries which names there are is slowed down.
  if (!changed) await countTry('address', addressOf(event))
  if (!changed) throw refusal(409, { path: 'signInName', code: 'sign-in-name-taken' })
  // Whoever knew the old one is out.
  if (password !== undefined) {
    await store.endOtherDevices(store.deviceId)
    await store.notePassword()
    await store.confirm()
  }
  forgetAskers(store.householdId)
  setResponseStatus(event, 204)
  return null
})
