import type { ToSay } from '../../utils/request'

const MOST_BYTES = 20 * 1024 * 1024

/**
 * Reads a log in: runs that are not there yet are stored, all of them or, where something is wrong with one, none; what
 * was edited in a table of runs that are there is taken over. A log that comes in parts is first looked through, with
 * `check`, of which nothing is stored.
 */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const kept = await store.kitchen()
  if (!kept) throw notFound('kitchen')
  const worker = askWorker(store.householdId)
  const isTable = getHeader(event, 'content-type')?.startsWith('text/csv') ?? false
  const read = await worker.log(await readText(event, MOST_BYTES), isTable)
  if (!read.ok) throw refusal(read.status, read.problems)
  const { runs } = read.value
  const problems: ToSay[] = []
  const found = []
  for (const [i, run] of runs.entries()) {
    const answer = await worker.plan(run.request)
    if (answer.ok) found.push({ run, answer: answer.value })
    else problems.push(...answer.problems.map((one) => ({ ...one, path: `runs.${i}.request.${one.path}` })))
  }
  if (problems.length > 0) throw refusal(422, problems)
  const of = runs.length
  if (getQuery(event).check !== undefined) return { added: 0, changed: 0, of }
  if (isTable) return { ...(await store.takeEdited(found, kept.content)), of }
  return { added: await store.addRuns(found, kept.content), changed: 0, of }
})
