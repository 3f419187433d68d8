// tsx scripts/database.ts migrate|demo|demo-day: brings the schema up to date, and loads the demo kitchen; with its day,
// a dinner for this evening too.
import { openDatabase } from '../server/db/client'
import { seedDemo, seedDemoDay } from '../server/db/demo'
import { migrateDatabase } from '../server/db/migrate'

const { owner, db, pool } = openDatabase()
try {
  await migrateDatabase(owner)
  const [, , task] = process.argv
  // Pictures are made by one clock: the months before are those before it.
  const nowMs = Number(process.env.BIVVET_DEMO_NOW_MS ?? Date.now())
  if (task === 'demo' || task === 'demo-day') await seedDemo(db, nowMs)
  if (task === 'demo-day') await seedDemoDay(db, nowMs)
} finally {
  await pool.end()
}
