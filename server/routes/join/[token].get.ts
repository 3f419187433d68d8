import { database } from '../../db/client'
import { householdByToken } from '../../db/household'

/** The household's link: opens it on this device. */
export default defineEventHandler(async (event) => {
  const householdId = await householdByToken(database(), getRouterParam(event, 'token') ?? '')
  if (!householdId)
    throw refusal(404, { path: '', code: 'not-found', message: 'This link opens no household. Ask for a new one.' })
  await replaceUserSession(event, { secure: { householdId } })
  return sendRedirect(event, '/')
})
