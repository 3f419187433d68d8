import { publishedAnswer } from '../../core/formats/plan'
import { planRequestSchema } from '../../core/program/request.schema'

/** Plans a request and forgets it; the same as the command line's `plan`. */
export default defineEventHandler(async (event) => {
  const { householdId } = await useHousehold(event)
  const answer = await askWorker(householdId).plan(await readJson(event, planRequestSchema))
  if (!answer.ok) throw refusal(422, answer.problems)
  return publishedAnswer(answer.value)
})
