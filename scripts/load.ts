/**
 * Some servers on one database, as many households as a town has, and what becomes of what happens in them.
 *
 *   npm run load -- [--households 500] [--runs 200] [--seconds 120] [--rate 50] [--servers 2] [--kills 100]
 *                   [--database-kills 10] [--town 50000] [--town-runs 3000000]
 *
 * Everything is on loopback and gone afterwards. Devices are told apart from the servers: an event counts as seen by
 * the other device of its household when that has heard of it, asked for the run, and found it there.
 */
import { randomBytes, randomUUID, createHash } from 'node:crypto'
import type { ChildProcess } from 'node:child_process'
import { setTimeout as wait } from 'node:timers/promises'
import { parseArgs } from 'node:util'
import { Pool } from 'pg'
import { COOKERS } from '../core/appliance/appliance'
import { DEMO_HOUSEHOLD } from './demo-household.mjs'
import { throwAwayDatabase } from './postgres.mjs'
import { serverEnv, waitFor } from './serve.mjs'
import { ensureBuild, freePort, run, start } from './setup.mjs'

const { values } = parseArgs({
  options: {
    households: { type: 'string', default: '500' },
    runs: { type: 'string', default: '200' },
    seconds: { type: 'string', default: '120' },
    rate: { type: 'string', default: '50' },
    servers: { type: 'string', default: '2' },
    kills: { type: 'string', default: '100' },
    'database-kills': { type: 'string', default: '10' },
    // Households and runs that are in the tables besides, and are never asked for.
    town: { type: 'string', default: '0' },
    'town-runs': { type: 'string', default: '0' },
  },
})
const HOUSEHOLDS = Number(values.households)
const RUNS = Math.min(HOUSEHOLDS, Number(values.runs))
const SECONDS = Number(values.seconds)
const RATE = Number(values.rate)
const SERVERS = Number(values.servers)
const KILLS = Number(values.kills)
const DATABASE_KILLS = Number(values['database-kills'])
const TOWN = Number(values.town)
const TOWN_RUNS = Number(values['town-runs'])
/** So much of one kind one household asks for at once. */
const BURST = 60
const LONG_LOG = 12_000
/** So many the demo household has cooked. */
const DEMO_RUNS = 60
const BLUE_POT = '0de70000-0000-4000-8000-000000000101'

interface Server {
  url: string
  env: Record<string, string>
  process: ChildProcess
}
interface Device {
  url: string
  cookie: string
}
/** A pot on the stove: one device of its household tells what happens, the other one looks on at the other server. */
interface LiveRun {
  id: string
  teller: Device
  looker: Device
  sent: Set<string>
  waitingFor: Map<string, number>
}

const quantile = (sorted: readonly number[], share: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN

async function ask<T>(device: Device, method: string, path: string, body?: unknown): Promise<T> {
  const answer = await fetch(`${device.url}/api/${path}`, {
    method,
    headers: { cookie: device.cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${(await answer.text()).slice(0, 300)}`)
  return (answer.status === 204 ? null : await answer.json()) as T
}

/** A link into each household, by which its devices come in. */
async function makeHouseholds(pool: Pool, links: number): Promise<string[][]> {
  const { rows } = await pool.query<{ id: string }>(
    `with made as (insert into households select from generate_series(1, $2) returning id),
       kitchens as (
         insert into documents (household_id, kind, id, name, content)
         select made.id, 'kitchen', made.id, name, content from made, documents
         where household_id = $1 and kind = 'kitchen')
     select id from made`,
    [DEMO_HOUSEHOLD, HOUSEHOLDS],
  )
  const tokens = rows.map(() => Array.from({ length: links }, () => randomBytes(24).toString('base64url')))
  const flat = rows.flatMap(({ id }, i) => tokens[i]!.map((token) => ({ id, token })))
  await pool.query(
    `insert into invites (household_id, digest, expires_at)
     select h, d, now() + interval '1 day' from unnest($1::uuid[], $2::text[]) as given(h, d)`,
    [flat.map(({ id }) => id), flat.map(({ token }) => createHash('sha256').update(token).digest('hex'))],
  )
  return tokens
}

async function comeIn(url: string, token: string): Promise<Device> {
  const answer = await fetch(`${url}/api/auth/invites/${token}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'A cook' }),
  })
  if (answer.status !== 204) throw new Error(`Nobody came in: ${answer.status} ${await answer.text()}`)
  return { url, cookie: answer.headers.getSetCookie()[0]!.split(';')[0]! }
}

async function light(teller: Device, looker: Device): Promise<LiveRun> {
  const planId = randomUUID()
  const id = randomUUID()
  const request = {
    kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
    cooker: COOKERS['whistling-5l-aluminium'],
    burner: 'strong',
    contents: [{ food: 'navy-bean', dryG: 300, soak: { hours: 9, waterC: 18, keepWater: false }, where: 'base' }],
    liquids: [],
    style: { kind: 'whistles', flame: 'medium' },
    release: 'auto',
  }
  await ask(teller, 'POST', 'plans', { id: planId, name: 'Beans under load', cookerId: BLUE_POT, request })
  await ask(teller, 'POST', 'runs', { id, planId })
  const lit = { id: randomUUID(), at: Date.now() - 20 * 60_000, data: { kind: 'lit' } }
  await ask(teller, 'POST', `runs/${id}/events`, lit)
  return { id, teller, looker, sent: new Set([lit.id]), waitingFor: new Map() }
}

/** Hears change events on a device, again and again after whatever breaks it off, until it is called off. */
function listen(device: Device, tell: (id: string | null) => void): { opened: Promise<void>; stop: () => void } {
  const stopping = new AbortController()
  let isOpen!: () => void
  const opened = new Promise<void>((resolve) => (isOpen = resolve))
  void (async () => {
    while (!stopping.signal.aborted) {
      try {
        const answer = await fetch(`${device.url}/api/changes?age=0`, {
          headers: { cookie: device.cookie },
          signal: stopping.signal,
        })
        isOpen()
        tell(null)
        let left = ''
        const decoder = new TextDecoder()
        for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
          left += decoder.decode(chunk, { stream: true })
          const parts = left.split('\n\n')
          left = parts.pop()!
          for (const part of parts) {
            if (part.includes('event: pulse')) continue
            const data = part.replace(/^data: ?/, '')
            tell(data ? (JSON.parse(data) as { id: string }).id : null)
          }
        }
      } catch {
        // The server is gone: the next try finds it, or not yet.
      }
      await wait(200)
    }
  })()
  return { opened, stop: () => stopping.abort() }
}

/** Tells one whistle of a run, until the server has it: as a device does, whatever becomes of the answers. */
async function whistle(live: LiveRun, untilKept: boolean): Promise<void> {
  const event = { id: randomUUID(), at: Date.now(), data: { kind: 'whistle', how: 'ear' } }
  live.sent.add(event.id)
  live.waitingFor.set(event.id, performance.now())
  for (;;) {
    try {
      await ask(live.teller, 'POST', `runs/${live.id}/events`, event)
      return
    } catch (error) {
      if (!untilKept) throw error
      await wait(150)
    }
  }
}

/** Looks at a run on the other device: what is there has been seen. */
async function look(live: LiveRun, seen: number[]): Promise<void> {
  if (live.waitingFor.size === 0) return
  const { events } = await ask<{ events: { id: string }[] }>(live.looker, 'GET', `runs/${live.id}`)
  const now = performance.now()
  for (const { id } of events) {
    const at = live.waitingFor.get(id)
    if (at === undefined) continue
    seen.push(now - at)
    live.waitingFor.delete(id)
  }
}

/** Of every run what the database has: what was told and is not there, and what is there twice. */
async function count(pool: Pool, lives: readonly LiveRun[]) {
  let lost = 0
  for (const live of lives) {
    const { rows } = await pool.query<{ id: string }>('select id from run_events where run_id = $1', [live.id])
    const there = new Set(rows.map(({ id }) => id))
    for (const id of live.sent) if (!there.has(id)) lost++
  }
  const { rows } = await pool.query<{ n: number }>(
    `select count(*)::int - count(distinct (run_id, happened_at, kind, data))::int as n from run_events where run_id = any($1)`,
    [lives.map(({ id }) => id)],
  )
  const told = lives.reduce((sum, { sent }) => sum + sent.size, 0)
  return { told, lost, doubled: rows[0]!.n }
}

/** Events at a steady rate over all runs. */
async function tellFor(seconds: number, lives: readonly LiveRun[], untilKept: boolean): Promise<number> {
  const until = performance.now() + seconds * 1000
  const open: Promise<void>[] = []
  let failed = 0
  for (let i = 0; performance.now() < until; i++) {
    open.push(whistle(lives[i % lives.length]!, untilKept).catch(() => void failed++))
    await wait(1000 / RATE)
  }
  await Promise.all(open)
  return failed
}

/** Milliseconds that the server says an answer took, and that it took from here, one after another. */
async function timed(device: Device, path: string, times = 200) {
  const server: number[] = []
  const whole: number[] = []
  for (let i = 0; i < times; i++) {
    const from = performance.now()
    const answer = await fetch(`${device.url}/api/${path}`, { headers: { cookie: device.cookie } })
    await answer.arrayBuffer()
    whole.push(performance.now() - from)
    server.push(Number(/dur=([\d.]+)/.exec(answer.headers.get('server-timing') ?? '')?.[1]))
  }
  const middle = (of: number[]) =>
    Number(
      quantile(
        of.sort((a, b) => a - b),
        0.5,
      ).toFixed(2),
    )
  return { route: path, 'server, ms': middle(server), 'from here, ms': middle(whole) }
}

/** Fills a household's log with what the demo has cooked, again and again. */
async function fillLog(pool: Pool, householdId: string, from: number, times: number): Promise<void> {
  // A UUID is one of version 4, whatever it is made from.
  const id = (of: string) =>
    `overlay(overlay(md5(${of}::text || i || $2) placing '4' from 13) placing '8' from 17)::uuid`
  await pool.query(
    `insert into plans (id, household_id, name, cooker_id, cooker_name, burner_id, bag_ids, version, request, answer, created_at)
     select ${id('p.id')}, $2::uuid, name, cooker_id, cooker_name, burner_id, bag_ids, version, request, answer,
            created_at - i * interval '150 days'
     from plans p, generate_series($3::int, $4::int) i where household_id = $1`,
    [DEMO_HOUSEHOLD, householdId, from, times],
  )
  await pool.query(
    `insert into runs (id, household_id, plan_id, is_on, fit, created_at)
     select ${id('r.id')}, $2::uuid, ${id('r.plan_id')}, is_on, fit, created_at - i * interval '150 days'
     from runs r, generate_series($3::int, $4::int) i where household_id = $1`,
    [DEMO_HOUSEHOLD, householdId, from, times],
  )
  await pool.query(
    `insert into run_events (id, household_id, run_id, kind, happened_at, data)
     select ${id('e.id')}, $2::uuid, ${id('e.run_id')}, kind, happened_at - i * interval '150 days', data
     from run_events e, generate_series($3::int, $4::int) i where household_id = $1`,
    [DEMO_HOUSEHOLD, householdId, from, times],
  )
  await pool.query('analyze')
}

/** A town's households with their runs, as they fill the tables and their indexes; what a plan holds is left empty. */
async function fillTown(of: Pool): Promise<void> {
  const client = await of.connect()
  try {
    // What is made here refers to nothing that is missing.
    await client.query(`set session_replication_role = replica`)
    await client.query(
      `create temp table town as select gen_random_uuid() as id, i from generate_series(1, $1) i`.replace(
        '$1',
        String(TOWN),
      ),
    )
    await client.query('insert into households (id) select id from town')
    await client.query(
      `create temp table town_runs as
       select gen_random_uuid() as run_id, gen_random_uuid() as plan_id, id as household_id,
              now() - (n * interval '11 hours') as at
       from town, generate_series(1, ${Math.ceil(TOWN_RUNS / TOWN)}) n`,
    )
    await client.query(
      `insert into plans (id, household_id, name, cooker_id, cooker_name, version, request, answer, created_at)
       select plan_id, household_id, 'Beans', gen_random_uuid(), 'Blue', 1,
              '{"contents":[{"food":"navy-bean"}]}'::jsonb, '{}'::jsonb, at from town_runs`,
    )
    await client.query(
      `insert into runs (id, household_id, plan_id, is_on, created_at)
       select run_id, household_id, plan_id, false, at from town_runs`,
    )
    await client.query(
      `insert into run_events (id, household_id, run_id, kind, happened_at, data)
       select gen_random_uuid(), household_id, run_id, 'lit', at, '{"kind":"lit"}'::jsonb from town_runs`,
    )
    await client.query('set session_replication_role = origin')
    await client.query('analyze')
  } finally {
    client.release(true)
  }
}

/** What a cheap read of another household takes while one asks for so much at once, again and again. */
async function beside(other: Device, burst: () => Promise<unknown>) {
  let isOver = false
  const loading = (async () => {
    while (!isOver) await burst().catch(() => undefined)
  })()
  await wait(300)
  const server: number[] = []
  const whole: number[] = []
  const until = performance.now() + 8000
  while (performance.now() < until) {
    const from = performance.now()
    const answer = await fetch(`${other.url}/api/documents/dish`, { headers: { cookie: other.cookie } })
    await answer.arrayBuffer()
    whole.push(performance.now() - from)
    server.push(Number(/dur=([\d.]+)/.exec(answer.headers.get('server-timing') ?? '')?.[1]))
    await wait(20)
  }
  isOver = true
  await loading
  const of = (list: number[], share: number) =>
    Math.round(
      quantile(
        list.sort((a, b) => a - b),
        share,
      ),
    )
  return {
    reads: whole.length,
    'server, median ms': of(server, 0.5),
    'server, 95 %': of(server, 0.95),
    'from here, median ms': of(whole, 0.5),
    'from here, 95 %': of(whole, 0.95),
  }
}

ensureBuild()
const database = await throwAwayDatabase({ survives: true })
const pool = new Pool({ connectionString: database.url, max: 4 })
pool.on('error', () => undefined)
const servers: Server[] = []
try {
  const secret = randomBytes(24).toString('hex')
  const env = { ...serverEnv(database.url, 0, secret), HOST: '127.0.0.1' }
  run('npx', ['tsx', 'scripts/database.ts', 'demo'], {
    quiet: true,
    env: { ...process.env, ...env, NUXT_TELEMETRY_DISABLED: '1' },
  })
  const serve = async (of: Omit<Server, 'process'>): Promise<Server> => {
    const child = start('node', ['.output/server/index.mjs'], of.env)
    await waitFor(`${of.url}/api/health`, child)
    return { ...of, process: child }
  }
  for (let i = 0; i < SERVERS; i++) {
    const port = await freePort()
    servers.push(await serve({ url: `http://127.0.0.1:${port}`, env: { ...env, PORT: String(port) } }))
  }
  const urlOf = (i: number) => servers[i % SERVERS]!.url

  const tokens = await makeHouseholds(pool, 2)
  const lives: LiveRun[] = []
  for (const [i, [first, second]] of tokens.slice(0, RUNS).entries())
    lives.push(await light(await comeIn(urlOf(i), first!), await comeIn(urlOf(i + 1), second!)))
  console.log(`${HOUSEHOLDS} households, ${lives.length} pots on the stove, ${2 * lives.length} devices listening`)

  const seen: number[] = []
  const byId = new Map(lives.map((live) => [live.id, live]))
  const ears = lives.flatMap((live) => [
    listen(live.looker, (id) => {
      if (id === null || byId.get(id) === live) void look(live, seen).catch(() => undefined)
    }),
    listen(live.teller, () => undefined),
  ])
  await Promise.all(ears.map(({ opened }) => opened))
  await wait(2000)
  const failed = await tellFor(SECONDS, lives, false)
  await wait(2000)
  seen.sort((a, b) => a - b)
  const quiet = await count(pool, lives)
  console.table([
    {
      what: `${RATE} events a second for ${SECONDS} s`,
      told: quiet.told,
      'not taken': failed,
      lost: quiet.lost,
      doubled: quiet.doubled,
      'seen, median ms': Math.round(quantile(seen, 0.5)),
      'seen, 95 % ms': Math.round(quantile(seen, 0.95)),
      'never seen': lives.reduce((sum, { waitingFor }) => sum + waitingFor.size, 0),
    },
  ])

  const [device] = lives.map(({ teller }) => teller)
  const { household } = await ask<{ household: { id: string } }>(device!, 'GET', 'household')
  const routes = [
    'health',
    'documents/kitchen/own',
    'runs?on',
    'runs',
    'runs?name=no-such-thing',
    'runs?foods=hominy-dried',
  ]
  const measured: Awaited<ReturnType<typeof timed>>[][] = []
  // Nothing in the log, what five months leave, and what thirty years do.
  for (const [from, times] of [
    [0, -1],
    [0, 0],
    [1, LONG_LOG / DEMO_RUNS - 1],
  ] as const) {
    if (times >= from) await fillLog(pool, household.id, from, times)
    const rows: Awaited<ReturnType<typeof timed>>[] = []
    for (const route of routes) rows.push(await timed(device!, route))
    measured.push(rows)
  }
  const [none, some, many] = measured as [(typeof measured)[0], (typeof measured)[0], (typeof measured)[0]]
  console.table(
    none.map((row, i) => ({
      ...row,
      [`server with ${DEMO_RUNS} runs`]: some[i]!['server, ms'],
      [`with ${LONG_LOG}`]: many[i]!['server, ms'],
    })),
  )

  if (TOWN > 0) {
    const from = performance.now()
    await fillTown(pool)
    console.log(`${TOWN} households with ${TOWN_RUNS} runs made in ${Math.round((performance.now() - from) / 1000)} s`)
    const rows: Awaited<ReturnType<typeof timed>>[] = []
    for (const route of routes) rows.push(await timed(device!, route))
    console.table(rows)
  }

  // One that has the demo's log, and one that has nothing, at the same server.
  const [busy, idle] = [lives[1], lives[1 + SERVERS]]
  if (busy && idle) {
    const { household: of } = await ask<{ household: { id: string } }>(busy.teller, 'GET', 'household')
    await fillLog(pool, of.id, 0, 0)
    const events = () => Promise.all(Array.from({ length: BURST }, () => whistle(busy, false).catch(() => undefined)))
    const many = (path: string) => () =>
      Promise.all(
        Array.from({ length: BURST }, async () => {
          const answer = await fetch(`${busy.teller.url}/api/${path}`, { headers: { cookie: busy.teller.cookie } })
          await answer.arrayBuffer()
        }),
      )
    const rows = []
    for (const [what, burst] of [
      ['nothing', () => wait(100)],
      [`${BURST} events of one run`, events],
      [`${BURST} downloads of the log`, many('log')],
      [`${BURST} searches of the log`, many('runs?name=bean')],
    ] as const)
      rows.push({ beside: what, ...(await beside(idle.teller, burst)) })
    console.log('What a cheap read of another household takes:')
    console.table(rows)
  }

  if (KILLS + DATABASE_KILLS > 0) {
    let isOver = false
    const telling = (async () => {
      while (!isOver) await tellFor(1, lives, true)
    })()
    for (let i = 0; i < KILLS; i++) {
      const at = i % servers.length
      servers[at]!.process.kill('SIGKILL')
      servers[at] = await serve(servers[at]!)
      await wait(150)
      if (DATABASE_KILLS > 0 && i % Math.ceil(KILLS / DATABASE_KILLS) === 0) {
        database.crash()
        await wait(500)
      }
    }
    isOver = true
    await telling
    const { told, lost, doubled } = await count(pool, lives)
    console.table([{ what: `${KILLS} kills of a server, ${DATABASE_KILLS} of the database`, told, lost, doubled }])
  }
  for (const { stop } of ears) stop()
} finally {
  for (const { process: child } of servers) child.kill('SIGKILL')
  await pool.end()
  database.stop()
}
process.exit(0)
