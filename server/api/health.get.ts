import { randomUUID } from 'node:crypto'
import { sql, TransactionRollbackError } from 'drizzle-orm'
import { authDatabase } from '../db/client'
import { challenges } from '../db/schema'
import { factsOf, logger } from '../logger'

/** Whether this server and its database answer, and whether it takes anything in; for whatever watches over them. */
export default defineEventHandler(async (event) => {
  const askedAt = performance.now()
  try {
    await authDatabase().execute(sql`select 1`)
  } catch (error) {
    logger.error('the database does not answer', factsOf(error))
    setResponseStatus(event, 503)
    return { ok: false, writes: false, databaseMs: null }
  }
  const databaseMs = Math.round(performance.now() - askedAt)
  const writes = await canWrite()
  if (!writes) setResponseStatus(event, 503)
  return { ok: writes, writes, databaseMs }
})

/** Writes something and takes it back: a database that only reads, or a full disk, is found out by nothing else. */
async function canWrite(): Promise<boolean> {
  try {
    await authDatabase().transaction(async (tx) => {
      await tx.insert(challenges).values({ text: `health ${randomUUID()}`, expiresAt: new Date() })
      tx.rollback()
    })
    return true
  } catch (error) {
    if (error instanceof TransactionRollbackError) return true
    logger.error('the database takes nothing in', factsOf(error))
    return false
  }
}
