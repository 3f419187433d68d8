import { figureOfId } from '../../../core/learn/figure'
import { forgetSchema } from '../../../shared/run.schema'

/** What was learnt of some figures until now is forgotten. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { figures } = await readJson(event, forgetSchema)
  if (!figures.every((id) => figureOfId(id))) throw notFound('figure')
  await store.forget(figures)
  setResponseStatus(event, 204)
  return null
})
