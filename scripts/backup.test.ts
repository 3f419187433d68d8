import { execFile } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { promisify } from 'node:util'
import { Pool } from 'pg'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { databaseOf, openDatabase } from '../server/db/client'
import { seedDemo } from '../server/db/demo'
import { migrateDatabase } from '../server/db/migrate'
import { documents, runs } from '../server/db/schema'
import { DEMO_HOUSEHOLD } from './demo-household.mjs'
import { throwAwayDatabase } from './postgres.mjs'

const run = promisify(execFile)
const folder = mkdtempSync(path.join(tmpdir(), 'bivvet-backup-'))
const file = path.join(folder, 'copy.dump')
let here: { url: string; stop(): void }
/** A cluster that has never seen the program. */
let elsewhere: { url: string; stop(): void }

/** Does as a person does at the command line. */
const asked = (url: string, ...args: string[]) =>
  run(process.execPath, ['scripts/backup.mjs', ...args], { env: { ...process.env, DATABASE_URL: url } })

beforeAll(async () => {
  ;[here, elsewhere] = await Promise.all([throwAwayDatabase(), throwAwayDatabase()])
  const opened = openDatabase(here.url)
  await migrateDatabase(opened.owner)
  await seedDemo(opened.db)
  let isWriting = true
  const writing = (async () => {
    while (isWriting) await opened.pool.query(`update documents set version = version + 1 where kind = 'pot'`)
  })()
  await asked(here.url, 'backup', file)
  isWriting = false
  await writing
  await opened.pool.end()
})
afterAll(() => {
  here.stop()
  elsewhere.stop()
  rmSync(folder, { recursive: true })
})

/** What the server sees of the household that is back, and of one that is none. */
async function seenIn(url: string) {
  const { pool } = openDatabase(url)
  const home = databaseOf(DEMO_HOUSEHOLD, pool)
  const nobody = databaseOf('0de70000-0000-4000-8000-0000000000ff', pool)
  const seen = [await home.$count(runs), await home.$count(documents), await nobody.$count(documents)]
  // It goes on as if it had never been away.
  await home.insert(documents).values({ householdId: DEMO_HOUSEHOLD, kind: 'pot', name: 'New', content: {} })
  await pool.end()
  return seen
}

describe('a copy that was taken while it was written to', () => {
  it('comes back on a machine that has never seen the program', async () => {
    const { stdout } = await asked(elsewhere.url, 'restore', file)
    expect(stdout).toContain('1 household is back')
    expect(await seenIn(elsewhere.url)).toEqual([60, 16, 0])
    await expect(asked(elsewhere.url, 'restore', file)).rejects.toMatchObject({
      stderr: expect.stringContaining('--replace'),
    })
  })

  it('comes back into a database whose owner is no superuser, as a hosted one is', async () => {
    const superuser = new Pool({ connectionString: elsewhere.url, max: 1 })
    await superuser.query(`create role plain login password 'plain'`)
    await superuser.query(`create database plain owner plain`)
    await superuser.end()
    const at = new URL(elsewhere.url)
    Object.assign(at, { username: 'plain', password: 'plain', pathname: '/plain' })
    await asked(at.href, 'restore', file)
    expect(await seenIn(at.href)).toEqual([60, 16, 0])
  })
})
