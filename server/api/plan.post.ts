import { plan } from '../../core/program/plan'
import { planRequestSchema } from '../../shared/request'

/** Plans a request and forgets it; the same as the command line's `plan`. */
export default defineEventHandler(async (event) => {
  const answer = plan(await readJson(event, planRequestSchema))
  if (!answer.ok) throw refusal(422, ...answer.problems)
  return answer.value
})
