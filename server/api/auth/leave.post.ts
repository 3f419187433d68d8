import { logger } from '../../logger'

/** Goes out at this device; whoever has no way to come back has to say that they are sure. */
export default defineEventHandler(async (event) => {
  const asker = await askerOf(event)
  if (asker?.deviceId && getQuery(event).sure === undefined) {
    const store = await useHousehold(event, { leaving: true })
    if (!(await store.hasWayIn())) throw refusal(409, { path: '', code: 'no-way-back' })
  }
  await goOut(event)
  if (asker) logger.info('signed out', { household: asker.householdId, member: asker.memberId, device: asker.deviceId })
  setResponseStatus(event, 204)
  return null
})
