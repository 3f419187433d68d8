import { Pool } from 'pg'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DEMO_HOUSEHOLD } from '../../scripts/demo-household.mjs'
import { throwAwayDatabase } from '../../scripts/postgres.mjs'
import { databaseOf, openDatabase } from './client'
import { seedDemo } from './demo'
import { migrateDatabase } from './migrate'
import { members, runs } from './schema'

let cluster: { url: string; stop(): void }
let opened: ReturnType<typeof openDatabase>
let url: string

/** A database whose owner is no superuser and may make no roles, as a hosted one is. */
beforeAll(async () => {
  cluster = await throwAwayDatabase()
  const superuser = new Pool({ connectionString: cluster.url, max: 1 })
  await superuser.query(`create role plain login password 'plain'`)
  await superuser.query(`create database plain owner plain`)
  await superuser.end()
  const at = new URL(cluster.url)
  Object.assign(at, { username: 'plain', password: 'plain', pathname: '/plain' })
  url = at.href
  opened = openDatabase(url)
  await migrateDatabase(opened.owner)
  await seedDemo(opened.db)
})
afterAll(async () => {
  await opened.pool.end()
  cluster.stop()
})

describe('row security on a database whose owner is no superuser', () => {
  it('gives a connection that has said no household nothing, though it owns the tables', async () => {
    const pool = new Pool({ connectionString: url, max: 1 })
    for (const table of ['households', 'members', 'runs', 'run_events', 'document_versions', 'devices'])
      expect((await pool.query(`select 1 from ${table}`)).rowCount).toBe(0)
    await pool.end()
  })

  it('gives a household its own, and another one nothing of it', async () => {
    expect(await databaseOf(DEMO_HOUSEHOLD, opened.pool).$count(runs)).toBe(60)
    const nobody = databaseOf('0de70000-0000-4000-8000-0000000000ff', opened.pool)
    expect(await nobody.$count(runs)).toBe(0)
    await expect(nobody.insert(members).values({ householdId: DEMO_HOUSEHOLD, name: 'Nobody' })).rejects.toThrow()
    // The same connection, asked for the household again.
    expect(await databaseOf(DEMO_HOUSEHOLD, opened.pool).$count(members)).toBe(1)
  })

  it('lets a migration change the rows of all', async () => {
    const migrating = openDatabase(url)
    const { rowCount } = await migrating.pool.query(`update members set name = name`)
    expect(rowCount).toBe(1)
    await migrating.pool.end()
  })
})
