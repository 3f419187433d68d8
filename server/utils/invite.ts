import type { H3Event } from 'h3'
import { tokenSchema } from '../../shared/auth.schema'
import { authDatabase } from '../db/client'
import { inviteByToken } from '../db/auth'
import type { Asker } from '../db/household'

/** The link of the address that lets somebody in, while it does; `guest` for one that lets a dinner be read. */
export async function openInvite(event: H3Event, { guest = false } = {}) {
  await countTry('address', addressOf(event))
  const { data: token } = tokenSchema.safeParse(getRouterParam(event, 'token'))
  const invite = token ? await inviteByToken(authDatabase(), token) : null
  if (!invite || (invite.mealId !== null) !== guest) throw refusal(404, { path: '', code: 'no-such-link' })
  await uncountTry('address', addressOf(event))
  return invite
}

/** Whoever has an address that can only be read is no member. */
export const readingAs = (householdId: string): Asker => ({
  householdId,
  memberId: null,
  role: 'member',
  deviceId: null,
  isLeaving: false,
})
