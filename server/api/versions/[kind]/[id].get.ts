import { VERSIONED_KINDS } from '../../../../shared/names'

/** What a kept document was before each of its changes, newest first. */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const kind = VERSIONED_KINDS.find((one) => one === getRouterParam(event, 'kind'))
  if (!kind) throw notFound('kind')
  return store.earlier(kind, idParam(event, 'document'))
})
