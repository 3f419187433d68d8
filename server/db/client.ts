import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { LRUCache } from 'lru-cache'
import pLimit, { type LimitFunction } from 'p-limit'
import { Pool, type PoolClient, type PoolConfig, type QueryResult } from 'pg'
import { logger } from '../logger'

/** The channel on which one server process tells the others what has changed. */
export const CHANGE_CHANNEL = 'bivvet_changes'

export type Database = NodePgDatabase

/** A database that stands still is said within 5 s; a row that is held by another for longer is a fault. */
const TIMEOUTS = {
  connectionTimeoutMillis: 4000,
  query_timeout: 5000,
  statement_timeout: 4500,
  lock_timeout: 3000,
  idle_in_transaction_session_timeout: 10_000,
}
const MOST_CONNECTIONS = 10
const MOST_AUTH_CONNECTIONS = 3

function openPool(url = process.env.DATABASE_URL, options: PoolConfig = {}): Pool {
  if (!url)
    throw new Error('DATABASE_URL is not set. Start Bivvet with npm run demo, or point it to a PostgreSQL database.')
  const pool = new Pool({ connectionString: url, max: MOST_CONNECTIONS, ...options })
  // A dropped idle connection must not end the process; the next query opens another.
  pool.on('error', (error) => logger.warn('database connection lost', { reason: error.message }))
  return pool
}

/** Opens the database that DATABASE_URL names for a script: `owner` makes its tables, `db` sees all households' rows. */
export function openDatabase(url?: string): { owner: Database; db: Database; pool: Pool } {
  // Row security binds an owner who is no superuser as well: a migration that changes rows would else change none.
  const pool = openPool(url, { options: `-c bivvet.household=${ALL}` })
  return { owner: drizzle(pool), db: seenBy(pool, ALL), pool }
}

/** Whose rows a connection may see: a household's, or, while it is found out who asks, those of all. */
type Sees = string
const ALL: Sees = '*'

/** So many connections at once are one household's: another one always finds some. */
const MOST_OF_ONE = 4
/** Whoever waits longer for one is told to come again. */
const LONGEST_WAIT_MS = 4000
const turns = new LRUCache<Sees, LimitFunction>({ max: 5000 })

/** Waits until the household may have one more connection; what it answers gives that back. */
async function turnOf(sees: Sees): Promise<() => void> {
  // It is not yet known whose they are: signing in has a pool of its own.
  if (sees === ALL) return () => undefined
  const turn = turns.get(sees) ?? pLimit(MOST_OF_ONE)
  turns.set(sees, turn)
  return new Promise((resolve, reject) => {
    let isLate = false
    const late = setTimeout(() => {
      isLate = true
      reject(new Error('timeout exceeded when waiting for the household’s turn'))
    }, LONGEST_WAIT_MS)
    void turn(
      () =>
        new Promise<void>((done) => {
          clearTimeout(late)
          if (isLate) done()
          else resolve(done)
        }),
    )
  })
}

/**
 * A pool whose connections see one household's rows alone: row security in the database keeps them from all others,
 * also where a query forgets to say whose it asks for.
 */
export class HouseholdPool extends Pool {
  constructor(
    private readonly pool: Pool,
    private readonly sees: Sees,
  ) {
    // It opens none of its own.
    super({ max: 0 })
  }

  override connect = async (): Promise<PoolClient> => {
    const giveBack = await turnOf(this.sees)
    const client = await this.pool.connect().catch((error: unknown) => {
      giveBack()
      throw error
    })
    const { release } = client
    client.release = (destroy) => {
      release.call(client, destroy)
      giveBack()
    }
    // What breaks off while a query runs is that query's error; what breaks off between two would end the process.
    if (client.listenerCount('error') === 0) client.on('error', () => undefined)
    try {
      await limit(client, this.sees)
      return client
    } catch (error) {
      client.release(true)
      throw error
    }
  }

  override query = async (...asked: unknown[]): Promise<QueryResult> => {
    const client = await this.connect()
    try {
      const answer = await (client.query as (...given: unknown[]) => Promise<QueryResult>)(...asked)
      client.release()
      return answer
    } catch (error) {
      client.release(isLost(error))
      throw error
    }
  }
}

/** What each connection was last told to see. */
const told = new WeakMap<PoolClient, Sees>()

/** Row security does not bind a superuser, and so none of these connections stays one. */
const LIMIT = `select set_config('bivvet.household', $1, false),
  (select set_config('role', 'bivvet_app', false) from pg_roles
   where rolname = current_user and (rolsuper or rolbypassrls))`

async function limit(client: PoolClient, sees: Sees): Promise<void> {
  if (told.get(client) === sees) return
  told.delete(client)
  await client.query(LIMIT, [sees])
  told.set(client, sees)
}

/** PostgreSQL's own refusals carry a code of five characters; all else is about the connection. */
function isLost(error: unknown): boolean {
  const { code } = error as { code?: unknown }
  return typeof code !== 'string' || !/^[0-9A-Z]{5}$/.test(code) || code.startsWith('57')
}

let shared: Pool | undefined
let auth: Pool | undefined
const sharedPool = () => (shared ??= openPool(undefined, TIMEOUTS))
/** Connections of signing in keep that scope, so that none has to be told anew with every query. */
const authPool = () => (auth ??= openPool(undefined, { ...TIMEOUTS, max: MOST_AUTH_CONNECTIONS }))

const seenBy = (pool: Pool, sees: Sees): Database => drizzle(new HouseholdPool(pool, sees))

/** The server's database as one household sees it. */
export const databaseOf = (householdId: string, pool = sharedPool()): Database => seenBy(pool, householdId)

/** The database before it is known who asks; for db/auth.ts alone. */
export const authDatabase = (): Database => seenBy(authPool(), ALL)

/** Its connections, for a library that asks by itself. */
export const authPoolOfAll = (): Pool => new HouseholdPool(authPool(), ALL)

/** Ends all connections, once what they are at is done. */
export const closeDatabase = async () => {
  await Promise.all([shared?.end(), auth?.end()])
}
