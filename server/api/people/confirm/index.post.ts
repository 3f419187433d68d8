import { confirmSchema } from '../../../../shared/auth.schema'
import { logger } from '../../../logger'

/** Confirms by password or passkey who sits at this device, before something is changed of how they sign in. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { deviceId, memberId } = store
  if (deviceId === null) throw refusal(403, { path: '', code: 'open-to-all' })
  const given = await readJson(event, confirmSchema)
  await countTry('device', deviceId)
  if ('password' in given) {
    const hash = (await store.me())?.passwordHash
    if (!hash || !(await verifyPassword(hash, given.password))) {
      logger.warn('confirmation refused', { by: 'password', household: store.householdId, member: memberId })
      throw refusal(403, { path: 'password', code: 'wrong-password' })
    }
  } else {
    const found = await memberOfPasskey(event, given.response, `confirm ${memberId}`)
    if (found.memberId !== memberId) throw refusal(403, { path: '', code: 'unknown-passkey' })
  }
  await uncountTry('device', deviceId)
  await store.confirm()
  setResponseStatus(event, 204)
  return null
})
