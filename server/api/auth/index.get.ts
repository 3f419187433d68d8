import type { Auth } from '../../../shared/household'
import { authDatabase } from '../../db/client'
import { isEmpty } from '../../db/auth'

/** How one may sign in at this server. */
export default defineEventHandler(async (event): Promise<Auth> => {
  const isFirst = await isEmpty(authDatabase())
  return { isFirst, canFound: isFirst || Boolean(useRuntimeConfig(event).openToHouseholds) }
})
