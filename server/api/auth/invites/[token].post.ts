import { joinSchema } from '../../../../shared/auth.schema'
import { authDatabase } from '../../../db/client'
import { letIn } from '../../../db/auth'

/** Comes into a household by its link, under a name of one's own; the link opens nothing from then on. */
export default defineEventHandler(async (event) => {
  const invite = await openInvite(event)
  const { name } = await readJson(event, joinSchema)
  const member = await letIn(authDatabase(), invite.id, name)
  if (!member) throw refusal(404, { path: '', code: 'no-such-link' })
  await comeIn(event, member, 'link')
  setResponseStatus(event, 204)
  return null
})
