import { problemsOf } from '../../../shared/problems'
import { runFilterSchema } from '../../../shared/run.schema'

/**
 * With `on` the runs that somebody has to look after; otherwise a page of the log, newest first, from `after` on, of
 * those that are as asked for.
 */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const query = getQuery(event)
  if (query.on !== undefined) return { runs: await store.runsOn(), next: null }
  const asked = runFilterSchema.safeParse(query)
  if (!asked.success) throw refusal(422, problemsOf(asked.error))
  const { foods, ...rest } = asked.data
  const after = pageMark(event)
  return inTurn(`${store.householdId} log`, () => store.runPage(after, { ...rest, foods: foods?.split(',') }))
})
