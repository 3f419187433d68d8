// tsx scripts/database.ts migrate|demo: brings the schema up to date, and loads the demo kitchen.
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { openDatabase } from '../server/db/client'
import { seedDemo } from '../server/db/demo'

const { db, pool } = openDatabase()
try {
  await migrate(db, { migrationsFolder: 'server/db/migrations' })
  if (process.argv[2] === 'demo') await seedDemo(db)
} finally {
  await pool.end()
}
