import { randomUUID } from 'node:crypto'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { Pool } from 'pg'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Archive } from '../../shared/archive.schema'
import { DEMO_HOUSEHOLD } from '../../scripts/demo-household.mjs'
import { throwAwayDatabase } from '../../scripts/postgres.mjs'
import { databaseOf, openDatabase } from './client'
import { seedDemo } from './demo'
import { askerOfOpen } from './auth'
import { householdStore } from './household'
import { migrateDatabase } from './migrate'

const MIGRATIONS = 'server/db/migrations'
const JOURNAL = path.join('meta', '_journal.json')
const journal = JSON.parse(readFileSync(path.join(MIGRATIONS, JOURNAL), 'utf8')) as {
  entries: { idx: number; tag: string }[]
}
/** From here on a kitchen is one document, so that today's rows fit into the columns that are there. */
const KITCHEN_IS_DOCUMENT = 3
/** Where rows of today cannot say what a column of then needs. */
const THEN = { name: 'Old kitchen', altitude_m: 500, room_c: 20, tap_c: 15, join_token: 'link' }

/** From here on all documents are in one table. */
const ONE_TABLE = 18
/** The tables that they were in before, and the kind of each. */
const TABLES = { pots: 'pot', dishes: 'dish', meals: 'meal', portions: 'portion' } as const

type Row = Record<string, unknown>
let cluster: { url: string; stop(): void }
let superuser: Pool
let today: ReturnType<typeof openDatabase>
/** Every row of today's demo household, with some of what it has none of. */
const rows = new Map<string, Row[]>()
let whole: Archive

beforeAll(async () => {
  cluster = await throwAwayDatabase()
  superuser = new Pool({ connectionString: cluster.url, max: 1 })
  today = openDatabase(cluster.url)
  await migrateDatabase(today.owner)
  await seedDemo(today.db)
  await addTheRest()
  const { rows: tables } = await today.pool.query<{ name: string }>(
    `select table_name as name from information_schema.tables where table_schema = 'public'`,
  )
  for (const { name } of tables) {
    const { rows: found } = await today.pool.query<{ row: Row }>(`select to_jsonb(t) as row from ${name} t`)
    rows.set(
      name,
      found.map(({ row }) => row),
    )
  }
  whole = await archiveIn(today)
})
afterAll(async () => {
  await Promise.all([today.pool.end(), superuser.end()])
  cluster.stop()
})

async function addTheRest() {
  const { pool } = today
  const one = async (query: string, values: unknown[] = []) => (await pool.query<Row>(query, values)).rows[0]!
  const { id: member } = await one('select id from members')
  const { id: run } = await one('select id from runs limit 1')
  const { id: pot } = await one(`select id from documents where kind = 'pot' limit 1`)
  const home = DEMO_HOUSEHOLD
  await pool.query('insert into run_photos (run_id, household_id, jpeg) values ($1, $2, $3)', [
    run,
    home,
    Buffer.from('jpeg'),
  ])
  await pool.query('insert into devices (household_id, member_id, label) values ($1, $2, $3)', [home, member, 'Tablet'])
  await pool.query(
    `insert into passkeys (id, household_id, member_id, public_key, counter, backed_up) values ('key', $1, $2, 'k', 1, false)`,
    [home, member],
  )
  await pool.query(`insert into invites (household_id, digest, expires_at) values ($1, 'd', now())`, [home])
  await pool.query(`insert into forgotten (household_id, figure) values ($1, 'taste/toor-split')`, [home])
  await pool.query(`insert into documents (household_id, kind, name, content) values ($1, 'portion', 'Kept', $2)`, [
    home,
    { shape: 1 },
  ])
  await pool.query(
    `insert into document_versions (household_id, kind, document_id, version, name, content, saved_at)
     values ($1, 'pot', $2, 1, 'Before', '{}', now())`,
    [home, pot],
  )
}

async function archiveIn({ db, pool }: ReturnType<typeof openDatabase>): Promise<Archive> {
  const store = householdStore(databaseOf(DEMO_HOUSEHOLD, pool), (await askerOfOpen(db, DEMO_HOUSEHOLD))!)
  return store.archive((await store.kitchen())!.content)
}

/** A new database as it was after one of the migrations. */
async function databaseAfter(idx: number) {
  const name = `after_${idx}`
  await superuser.query(`create database ${name}`)
  const at = new URL(cluster.url)
  at.pathname = `/${name}`
  const folder = mkdtempSync(path.join(os.tmpdir(), 'bivvet-migrations-'))
  cpSync(MIGRATIONS, folder, { recursive: true })
  const entries = journal.entries.filter((entry) => entry.idx <= idx)
  writeFileSync(path.join(folder, JOURNAL), JSON.stringify({ ...journal, entries }))
  const opened = openDatabase(at.href)
  await migrate(opened.owner, { migrationsFolder: folder })
  rmSync(folder, { recursive: true })
  return opened
}

/** Today's rows as the tables of then had them. */
function rowsOf(idx: number): ReadonlyMap<string, Row[]> {
  if (idx >= ONE_TABLE) return rows
  const { documents = [], ...others } = Object.fromEntries(rows)
  const of = (kind: string) => documents.filter((row) => row.kind === kind)
  const kitchen = of('kitchen')[0]!
  return new Map<string, Row[]>([
    ...Object.entries(others),
    [
      'households',
      others.households!.map((row) => ({ ...row, kitchen: kitchen.content, kitchen_version: kitchen.version })),
    ],
    ...Object.entries(TABLES).map(([table, kind]): [string, Row[]] => [
      table,
      of(kind).map((row) => ({ ...row, [kind]: row.content })),
    ]),
  ])
}

/** Puts rows into the columns that a table has; answers how many each table took. */
async function fill(pool: Pool, given: ReadonlyMap<string, Row[]>): Promise<Map<string, number>> {
  const { rows: columns } = await pool.query<{ table: string; column: string }>(
    `select table_name as table, column_name as column from information_schema.columns
     where table_schema = 'public' and is_generated = 'NEVER'`,
  )
  const taken = new Map<string, number>()
  const client = await pool.connect()
  // In whatever order: that each belongs to something is asked at the end, by the upgrade's own reading.
  await client.query('set session_replication_role = replica')
  for (const [table, all] of given) {
    const there = columns.filter((one) => one.table === table).map(({ column }) => column)
    if (there.length === 0) continue
    for (const row of all) {
      const full: Row = { ...(table === 'households' ? THEN : {}), ...row }
      const names = there.filter((column) => full[column] !== undefined)
      const list = names.map((column) => `"${column}"`).join(', ')
      await client.query(
        `insert into ${table} (${list}) select ${list} from jsonb_populate_record(null::${table}, $1)`,
        [JSON.stringify(full)],
      )
    }
    taken.set(table, all.length)
  }
  await client.query('set session_replication_role = origin')
  client.release()
  return taken
}

const countOf = async (pool: Pool, table: string) => {
  const kind = TABLES[table as keyof typeof TABLES]
  const from = kind ? `documents where kind = '${kind}'` : table
  return Number((await pool.query<{ count: string }>(`select count(*) from ${from}`)).rows[0]!.count)
}

describe('an upgrade of a database with a household in it', () => {
  it.each(journal.entries.filter(({ idx }) => idx >= KITCHEN_IS_DOCUMENT).map(({ tag, idx }) => [tag, idx] as const))(
    'from %s loses nothing of what it could hold',
    async (_, idx) => {
      const then = await databaseAfter(idx)
      const taken = await fill(then.pool, rowsOf(idx))
      await migrateDatabase(then.owner)
      for (const [table, count] of taken) expect([table, await countOf(then.pool, table)]).toEqual([table, count])
      const { kitchen, pots, dishes, meals, portions, log } = await archiveIn(then)
      expect(kitchen).toEqual(whole.kitchen)
      expect(pots).toEqual(whole.pots)
      const held = (table: string, all: unknown[]) => (taken.has(table) || taken.has('documents') ? all : [])
      expect(dishes).toEqual(held('dishes', whole.dishes))
      expect(meals).toEqual(held('meals', whole.meals))
      expect(portions).toEqual(held('portions', whole.portions))
      expect(log.runs.map(({ id, request, events, verdicts }) => ({ id, request, events, verdicts }))).toEqual(
        whole.log.runs.map(({ id, request, events, verdicts }) => ({ id, request, events, verdicts })),
      )
      expect(log.runs.length).toBeGreaterThan(50)
      await then.pool.end()
    },
    60_000,
  )

  it.each([0, 1])('from migration %i, when a kitchen was many rows, has it whole', async (idx) => {
    const kept = (name: string) => JSON.parse(readFileSync(`shared/first-shape/${name}.json`, 'utf8'))
    const kitchen = kept('kitchen') as Record<'cookers' | 'burners' | 'measures', Row[]>
    const household_id = randomUUID()
    const [plan, run] = [randomUUID(), randomUUID()]
    const [{ request, answer }] = kept('plans')
    const inRow = (all: Row[]) =>
      all.map(({ volumeMl, ...row }, position) => ({ ...row, household_id, position, volume_ml: volumeMl }))
    const event = (kind: string, minute: number) => ({
      id: randomUUID(),
      sequence: minute,
      household_id,
      run_id: run,
      kind,
      happened_at: new Date(1_760_000_000_000 + minute * 60_000),
      created_at: new Date(1_760_000_000_000),
      data: { kind },
    })
    const created_at = new Date(1_760_000_000_000)
    const then = await databaseAfter(idx)
    await fill(
      then.pool,
      new Map<string, Row[]>([
        ['households', [{ id: household_id, created_at, version: 3 }]],
        ['cookers', inRow(kitchen.cookers).map((row) => ({ ...row, created_at }))],
        ['burners', inRow(kitchen.burners)],
        ['measures', inRow(kitchen.measures)],
        [
          'plans',
          [
            {
              id: plan,
              household_id,
              name: 'Beans',
              cooker_id: kitchen.cookers[0]!.id,
              version: 1,
              request,
              answer,
              created_at,
            },
          ],
        ],
        ['runs', [{ id: run, household_id, plan_id: plan, created_at }]],
        ['run_events', ['lit', 'heat-off', 'pressure-gone', 'opened'].map(event)],
      ]),
    )
    await migrateDatabase(then.owner)
    const store = householdStore(databaseOf(household_id, then.pool), (await askerOfOpen(then.db, household_id))!)
    const { content: now } = (await store.kitchen())!
    expect(now).toMatchObject({ name: THEN.name, altitudeM: THEN.altitude_m })
    const ids = (all: readonly { id?: unknown }[]) => all.map(({ id }) => id)
    expect(ids(now.cookers)).toEqual(ids(kitchen.cookers))
    expect(ids(now.burners)).toEqual(ids(kitchen.burners))
    expect(ids(now.measures)).toEqual(ids(kitchen.measures))
    const { log } = await store.archive(now)
    expect(log.runs).toHaveLength(1)
    expect(log.runs[0]!.events).toHaveLength(4)
    await then.pool.end()
  })
})
