import { DOCUMENTS, saveSchema } from '../../../../../shared/documents'

/**
 * Keeps a document under the id that the client made for it; sending it again with its version changes it. Refused,
 * with what stands there now, where another device changed it since it was fetched.
 */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const { kind, id } = documentParams(event, store)
  const given = await readJson(event, saveSchema(kind))
  const problems = DOCUMENTS[kind].check?.(given.content as never) ?? []
  if (problems.length > 0)
    throw refusal(
      422,
      problems.map((one) => ({ ...one, path: `content.${one.path}` })),
    )
  const outcome = await store.save(kind, id, given)
  if (outcome === 'changed-meanwhile')
    throw refusal(409, { path: 'version', code: 'changed-elsewhere' }, { now: await store.document(kind, id) })
  return outcome
})
