import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { Pool } from 'pg'
import * as schema from './schema'

/** The channel on which one server process tells the others what has changed. */
export const NEWS_CHANNEL = 'bivvet_news'

export type Database = NodePgDatabase<typeof schema>

/** Opens a pool of connections to the database that DATABASE_URL names. */
export function openDatabase(url = process.env.DATABASE_URL): { db: Database; pool: Pool } {
  if (!url)
    throw new Error('DATABASE_URL is not set. Start Bivvet with npm run demo, or point it to a PostgreSQL database.')
  const pool = new Pool({ connectionString: url, max: 10 })
  // A dropped idle connection must not end the process; the next query opens another.
  pool.on('error', (error) => console.error('Database connection lost:', error.message))
  return { db: drizzle(pool, { schema }), pool }
}

let shared: Database | undefined

/** The server's database, opened at the first use. */
export function database(): Database {
  shared ??= openDatabase().db
  return shared
}
