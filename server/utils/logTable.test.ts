import fc from 'fast-check'
import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import { describe, expect, it } from 'vitest'
import { plan } from '../../core/program/plan'
import type { LogFileRun } from '../../core/learn/log-file.schema'
import { logFileSchema } from '../../core/learn/log-file.schema'
import { requestOf } from '../../tests/trials/learn'
import { runsOfTable, tableOf } from './logTable'

const kitchen = { cookers: [], burners: [] }
const request = requestOf({
  cookerId: 'blue',
  cooker: 'whistling-5l-aluminium',
  burnerId: 'strong',
  style: { kind: 'whistles', flame: 'medium' },
  foodId: 'navy-bean',
  dryG: 300,
  soakHours: 8,
  bagId: 'spring',
  isOld: false,
})
const run = (id: string, more: Partial<LogFileRun> = {}): LogFileRun => ({
  id,
  name: `Beans ${id}`,
  cooker: 'blue',
  burner: 'strong',
  bags: ['spring'],
  request,
  events: [
    { at: 1_772_000_000_000, data: { kind: 'lit' } },
    { at: 1_772_000_900_000, data: { kind: 'heat-off' } },
    { at: 1_772_001_900_000, data: { kind: 'opened' } },
  ],
  verdicts: [{ content: 0, food: 'navy-bean', texture: -1, water: 1, note: 'more salt' }],
  remarks: ['half-kept'],
  cameOut: { massG: 900, servings: 4, keptPortions: 2, place: 'freezer' },
  teaches: true,
  ...more,
})
const edited = (table: string, edit: (row: Record<string, string>, i: number) => void) => {
  const rows = parse<Record<string, string>>(table, { columns: true, bom: true })
  rows.forEach(edit)
  return stringify(rows, { header: true })
}

describe('a log as a table', () => {
  it('stands on a request that can be planned', () => expect(plan(request).ok).toBe(true))

  it('comes in again as it went out', () => {
    const runs = [run('a'), run('b', { verdicts: [], burner: null })]
    const read = runsOfTable(tableOf({ runs }, kitchen))
    expect(read.problems).toEqual([])
    expect(logFileSchema.parse({ runs: read.runs }).runs).toEqual(runs)
  })

  it('has each verdict with the food that it is of, and none with the others', () => {
    const [beans] = request.contents
    const contents = [beans!, { ...beans!, food: 'pinto-bean' }]
    const verdicts = [{ content: 1, texture: 2, water: 0, note: '' }]
    const two = run('a', { request: { ...request, contents }, verdicts })
    const { verdicts: _, ...unjudged } = run('b')
    const rows = parse<Record<string, string>>(tableOf({ runs: [two, unjudged] }, kitchen), {
      columns: true,
      bom: true,
    })
    expect(rows.map(({ food, texture }) => [food, texture])).toEqual([
      ['navy-bean', ''],
      ['pinto-bean', '2'],
      ['navy-bean', ''],
    ])
  })

  it('comes in again whatever its name and note are', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1, maxLength: 40 }).filter((text) => text.trim() !== '' && !/^'/.test(text)),
        fc.string({ maxLength: 60 }).filter((text) => !/^'/.test(text)),
        (name, note) => {
          const runs = [run('a', { name, verdicts: [{ content: 0, food: 'navy-bean', texture: 0, water: 0, note }] })]
          const read = runsOfTable(tableOf({ runs }, kitchen))
          expect(read).toEqual({ runs, problems: [] })
        },
      ),
    )
  })

  it('takes a corrected verdict and name from their columns', () => {
    const table = edited(tableOf({ runs: [run('a')] }, kitchen), (row) => {
      row.texture = '2'
      row.name = 'Beans for Sunday'
    })
    const [read] = runsOfTable(table).runs as LogFileRun[]
    expect(read!.name).toBe('Beans for Sunday')
    expect(read!.verdicts).toEqual([{ content: 0, food: 'navy-bean', texture: 2, water: 1, note: 'more salt' }])
  })

  it.each(['=1+1', ' =1+1', '\n=1+1', '\u00a0@SUM(A1)', '-2+3', ' \t+1'])(
    'starts no formula in a spreadsheet: %j',
    (name) => {
      const table = tableOf({ runs: [run('a', { name })] }, kitchen)
      const cells = parse(table, { bom: true })[1] as string[]
      expect(cells.filter((cell) => /^\s*[=+\-@]/.test(cell) && Number.isNaN(Number(cell)))).toEqual([])
      // Read in again it is as it was.
      expect(runsOfTable(table).runs).toMatchObject([{ name }])
    },
  )

  it('tells each broken row by its number', () => {
    const table = edited(tableOf({ runs: [run('a'), run('b'), run('c'), run('d')] }, kitchen), (row, i) => {
      if (i === 1) row.whole = row.whole!.slice(0, 40)
      if (i === 2) row.content = '9'
      if (i === 3) row.whole = ''
    })
    expect(runsOfTable(table).problems.map(({ path, code }) => [path, code])).toEqual([
      ['rows.3', 'row-broken'],
      ['rows.4', 'row-of-nothing'],
      ['rows.5', 'row-broken'],
    ])
  })

  it('comes in with semicolons or tabs between its columns', () => {
    const table = tableOf({ runs: [run('a')] }, kitchen)
    const rows = parse<Record<string, string>>(table, { columns: true, bom: true })
    for (const delimiter of [';', '\t']) {
      const read = runsOfTable(stringify(rows, { header: true, delimiter, bom: true }))
      expect(read.problems).toEqual([])
      expect(logFileSchema.parse({ runs: read.runs }).runs).toEqual([run('a')])
    }
  })

  it('counts the minutes on heat of every closing', () => {
    const T = 1_772_000_000_000
    const at = (minute: number) => T + minute * 60_000
    const events: LogFileRun['events'] = [
      { at: at(0), data: { kind: 'lit' } },
      { at: at(15), data: { kind: 'heat-off' } },
      { at: at(30), data: { kind: 'opened' } },
      { at: at(32), data: { kind: 'goes-on', figure: 2, addWaterG: 0, pinch: [null] } },
      { at: at(33), data: { kind: 'lit' } },
      { at: at(40), data: { kind: 'heat-off' } },
      { at: at(50), data: { kind: 'opened' } },
    ]
    const [row] = parse<Record<string, string>>(tableOf({ runs: [run('a', { events })] }, kitchen), {
      columns: true,
      bom: true,
    })
    expect(row!.minutesOnHeat).toBe('22.0')
  })

  it('asks for a verdict where only a note was written', () => {
    const table = edited(tableOf({ runs: [run('a', { verdicts: [] })] }, kitchen), (row) => (row.note = 'too salty'))
    expect(runsOfTable(table).problems).toEqual([{ path: 'rows.2', code: 'note-without-verdict', params: { row: 2 } }])
  })

  it.each(['', 'no table', 'run,name\na,b', '"run', '{"runs":[]}'])('is no table: %j', (text) => {
    expect(runsOfTable(text).problems).toEqual([{ path: '', code: 'not-a-table', params: {} }])
  })

  it('leaves a verdict that is no step to the schema', () => {
    const table = edited(tableOf({ runs: [run('a')] }, kitchen), (row) => (row.texture = 'soft'))
    const read = runsOfTable(table)
    expect(read.problems).toEqual([])
    expect(logFileSchema.safeParse({ runs: read.runs }).success).toBe(false)
  })
})
