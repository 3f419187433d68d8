import type { Door } from '../../../shared/household'
import { databaseAtDoor } from '../../db/client'
import { isEmpty } from '../../db/door'

/** What can be done at the door. */
export default defineEventHandler(async (event): Promise<Door> => {
  const isFirst = await isEmpty(databaseAtDoor())
  return { isFirst, canFound: isFirst || Boolean(useRuntimeConfig(event).openToHouseholds) }
})
