import { database } from '../../db/client'
import { firstMember, householdByToken } from '../../db/household'

/** The household's link: opens it on this device. */
export default defineEventHandler(async (event) => {
  const householdId = await householdByToken(database(), getRouterParam(event, 'token') ?? '')
  if (!householdId) throw refusal(404, { path: '', code: 'no-such-link' })
  const memberId = (await firstMember(database(), householdId)) ?? undefined
  await replaceUserSession(event, { secure: { householdId, ...(memberId ? { memberId } : {}) } })
  return sendRedirect(event, '/')
})
