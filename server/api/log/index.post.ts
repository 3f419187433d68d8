import { problemsOfRun } from '../../../core/learn/log-file'
import type { H3Event } from 'h3'
import { logFileSchema, type LogFile } from '../../../core/learn/log-file.schema'
import { problemsOf } from '../../../shared/problems'

const MOST_BYTES = 20 * 1024 * 1024
const MOST_RUNS = 1000

/**
 * Reads a log in: runs that are not there yet are stored, all of them or, where something is wrong with one, none. A log
 * that comes in parts is first looked through, with `check`, of which nothing is stored.
 */
export default defineEventHandler(async (event) => {
  const store = await useHousehold(event)
  const kept = await store.kitchen()
  if (!kept) throw notFound('kitchen')
  const file = await readLog(event)
  if (file.runs.length > MOST_RUNS) throw refusal(422, { path: 'runs', code: 'too-many', params: { max: MOST_RUNS } })
  const problems = file.runs.flatMap((run, i) => problemsOfRun(run, `runs.${i}`))
  const found = []
  for (const [i, run] of file.runs.entries()) {
    const answer = await askWorker(store.householdId).plan(run.request)
    if (answer.ok) found.push({ run, answer: answer.value })
    else problems.push(...answer.problems.map((one) => ({ ...one, path: `runs.${i}.request.${one.path}` })))
  }
  if (problems.length > 0) throw refusal(422, problems)
  const of = file.runs.length
  if (getQuery(event).check !== undefined) return { added: 0, of }
  return { added: await store.addRuns(found, kept.content), of }
})

/** The log that came, as JSON or as a table. */
async function readLog(event: H3Event): Promise<LogFile> {
  if (!getHeader(event, 'content-type')?.startsWith('text/csv')) return readJson(event, logFileSchema, MOST_BYTES)
  const { runs, problems } = runsOfTable(await readText(event, MOST_BYTES))
  if (problems.length > 0) throw refusal(422, problems)
  const parsed = logFileSchema.safeParse({ runs })
  if (!parsed.success) throw refusal(422, problemsOf(parsed.error))
  return parsed.data
}
