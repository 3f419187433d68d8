import type { People } from '../../../shared/household'

/** Who is in the household, at which devices, and which links stand open. */
export default defineEventHandler(async (event): Promise<People> => {
  const store = await useHousehold(event)
  return { ...(await store.people()), hereId: store.deviceId }
})
