// tsx scripts/database.ts migrate|demo: brings the schema up to date, and loads the demo kitchen.
import { openDatabase } from '../server/db/client'
import { seedDemo } from '../server/db/demo'
import { migrateDatabase } from '../server/db/migrate'

const { owner, db, pool } = openDatabase()
try {
  await migrateDatabase(owner)
  if (process.argv[2] === 'demo') await seedDemo(db)
} finally {
  await pool.end()
}
