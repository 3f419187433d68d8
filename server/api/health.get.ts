import { factsOf, log } from '../log'
import { sql } from 'drizzle-orm'
import { authDatabase } from '../db/client'

/** Whether this server and its database answer; for whatever watches over them. */
export default defineEventHandler(async (event) => {
  const askedAt = performance.now()
  try {
    await authDatabase().execute(sql`select 1`)
    return { ok: true, databaseMs: Math.round(performance.now() - askedAt) }
  } catch (error) {
    log.error('the database does not answer', factsOf(error))
    setResponseStatus(event, 503)
    return { ok: false, databaseMs: null }
  }
})
