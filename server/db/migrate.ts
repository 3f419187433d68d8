import { sql } from 'drizzle-orm'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import type { Database } from './client'

/** Any number, as long as nothing else in the database takes it. */
const LOCK = 6_042_718

/**
 * Brings the schema up to date. Several servers may be started at once: one of them does it, the others wait for it and
 * find nothing left to do.
 */
export async function migrateDatabase(owner: Database): Promise<void> {
  await owner.transaction(async (lock) => {
    await lock.execute(sql`select pg_advisory_xact_lock(${LOCK})`)
    await migrate(owner, { migrationsFolder: 'server/db/migrations' })
  })
}
