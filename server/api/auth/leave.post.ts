import { databaseOf } from '../../db/client'
import { householdStore } from '../../db/household'

/** Goes out at this device; whoever has no way to come back has to say that they are sure. */
export default defineEventHandler(async (event) => {
  const asker = await askerOf(event)
  if (asker?.deviceId && getQuery(event).sure === undefined) {
    const store = householdStore(databaseOf(asker.householdId), asker)
    if (!(await store.hasWayIn())) throw refusal(409, { path: '', code: 'no-way-back' })
  }
  await goOut(event)
  setResponseStatus(event, 204)
  return null
})
