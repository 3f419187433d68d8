import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import { eventsOfRun } from '../../core/learn/log-file'
import type { LogFile, LogFileRun } from '../../core/learn/log-file.schema'
import { firstLitAt, runState } from '../../core/live/run'
import { MINUTE_MS } from '../../core/measure/time'
import type { SentenceCode } from '../../locales/sentences'
import type { Kitchen } from '../../shared/kitchen'

/** Columns that are read again; all others are there to be looked at. */
const READ = ['run', 'name', 'content', 'texture', 'water', 'note', 'whole'] as const

/**
 * The log as a table, one row for each food of each run. The last column of a run's first row is the whole run, so that
 * a table can be read in again.
 */
export function tableOf({ runs }: LogFile, { cookers, burners }: Pick<Kitchen, 'cookers' | 'burners'>): string {
  const called = (rows: readonly { id: string; name: string }[], id: string | null | undefined) =>
    rows.find((row) => row.id === id)?.name ?? id ?? ''
  const rows = runs.flatMap((run) => {
    const state = runState(eventsOfRun(run))
    const litAt = firstLitAt(state)
    const onHeat = state.cycles.flatMap(({ litAt: from, heatOffAt: to }) =>
      from === null || to === null ? [] : [(to - from) / MINUTE_MS],
    )
    return run.request.contents.map(({ food, dryG, soak }, content) => {
      const verdict = run.verdicts?.find((one) => one.content === content)
      return {
        run: run.id,
        name: run.name,
        lit: litAt === null ? '' : new Date(litAt).toISOString(),
        cooker: called(cookers, run.cooker),
        burner: called(burners, run.burner),
        content,
        food,
        dryG: Math.round(dryG),
        soakHours: soak?.hours ?? 0,
        style: run.request.style.kind,
        whistles: state.cycles.reduce((sum, { whistles }) => sum + whistles.length, 0),
        minutesOnHeat: onHeat.length === 0 ? '' : onHeat.reduce((sum, minutes) => sum + minutes, 0).toFixed(1),
        texture: verdict?.texture ?? '',
        water: verdict?.water ?? '',
        note: verdict?.note ?? '',
        whole: content === 0 ? JSON.stringify(run) : '',
      }
    })
  })
  // What begins like a formula is text.
  return stringify(rows, {
    header: true,
    bom: true,
    escape_formulas: true,
    cast: { string: (text) => (BLANKS_BEFORE_FORMULA.test(text) ? `'${text}` : text) },
  })
}

/** A spreadsheet may drop what is blank before a formula; the library looks at the first character alone. */
const BLANKS_BEFORE_FORMULA = /^\s+[=+\-@]/

/** A spreadsheet parts columns by what its country uses: the names of the columns hold none of them. */
function delimiterOf(text: string): ',' | ';' | '\t' {
  const header = text.slice(0, text.search(/[\r\n]|$/))
  if (header.includes('\t')) return '\t'
  return header.includes(';') ? ';' : ','
}

interface RowProblem {
  path: string
  code: SentenceCode
  params: Record<string, string | number>
}

type Row = Record<(typeof READ)[number], string>

/**
 * The runs of a table as they came from here; name, verdict and note are taken from their own columns, where they may
 * have been corrected. What cannot be read is told by its row. The runs are still to be checked by their schema.
 */
export function runsOfTable(text: string): { runs: unknown[]; problems: RowProblem[] } {
  let rows: { record: Row; info: { lines: number } }[]
  try {
    rows = parse(text, {
      columns: true,
      bom: true,
      info: true,
      delimiter: delimiterOf(text),
      relax_column_count_less: true,
      skip_empty_lines: true,
    })
  } catch {
    return { runs: [], problems: [{ path: '', code: 'not-a-table', params: {} }] }
  }
  if (!rows[0] || READ.some((column) => !(column in rows[0]!.record)))
    return { runs: [], problems: [{ path: '', code: 'not-a-table', params: {} }] }
  const runs = new Map<string, LogFileRun>()
  const problems: RowProblem[] = []
  rows.forEach(({ record }, i) => {
    // The first row has the names of the columns.
    const row = i + 2
    const broken = (code: SentenceCode) => problems.push({ path: `rows.${row}`, code, params: { row } })
    const plain = (column: keyof Row) => (record[column] ?? '').replace(/^'(?=\s*[=+\-@]|[\t\r])/, '')
    if (record.whole) {
      try {
        const run = JSON.parse(plain('whole')) as LogFileRun
        if (!Array.isArray(run.request.contents)) throw new SyntaxError('No contents')
        runs.set(record.run, { ...run, name: plain('name') || run.name, verdicts: [] })
      } catch {
        return broken('row-broken')
      }
    }
    const run = runs.get(record.run)
    if (!run) return broken('row-broken')
    const content = Number(record.content)
    const food = run.request.contents[content]?.food
    if (record.content === '' || food === undefined) return broken('row-of-nothing')
    if (record.texture === '' && record.water === '') {
      if ((record.note ?? '') !== '') broken('note-without-verdict')
      return
    }
    const step = (column: 'texture' | 'water') => (record[column] === '' ? 0 : Number(plain(column)))
    run.verdicts!.push({ content, food, texture: step('texture'), water: step('water'), note: plain('note') })
  })
  return { runs: [...runs.values()], problems }
}
