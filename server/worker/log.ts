import { problemsOfRun } from '../../core/learn/log-file'
import { logFileSchema, type LogFile } from '../../core/learn/log-file.schema'
import { problemsOf } from '../../shared/problems'
import { holdsUnstorable, isTooMuch } from '../json'
import type { ToSay } from '../utils/request'
import { runsOfTable } from '../utils/logTable'

const MOST_RUNS = 1000
/** A thousand long runs hold about half of that. */
const MOST_VALUES = 1_000_000

/** Reads a log, as JSON or as a table; every problem is told by its place. */
export function readLogIn(
  text: string,
  isTable: boolean,
): { ok: true; value: LogFile } | { ok: false; status: 400 | 422; problems: ToSay[] } {
  const failed = (status: 400 | 422, ...problems: ToSay[]) => ({ ok: false as const, status, problems })
  let given: unknown
  if (isTable) {
    const { runs, problems } = runsOfTable(text)
    if (problems.length > 0) return failed(422, ...problems)
    given = { runs }
  } else {
    if (isTooMuch(text, MOST_VALUES)) return failed(400, { path: '', code: 'nested-too-deep' })
    try {
      given = JSON.parse(text)
    } catch {
      return failed(400, { path: '', code: 'not-json' })
    }
    if (holdsUnstorable(given)) return failed(422, { path: '', code: 'not-text' })
  }
  const parsed = logFileSchema.safeParse(given)
  if (!parsed.success) return failed(422, ...problemsOf(parsed.error))
  const { runs } = parsed.data
  if (runs.length > MOST_RUNS) return failed(422, { path: 'runs', code: 'too-many', params: { max: MOST_RUNS } })
  const problems = runs.flatMap((run, i) => problemsOfRun(run, `runs.${i}`))
  return problems.length > 0 ? failed(422, ...problems) : { ok: true, value: parsed.data }
}
