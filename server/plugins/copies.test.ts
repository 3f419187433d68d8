import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { strFromU8, unzipSync } from 'fflate'
import { eq, sql } from 'drizzle-orm'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { settings } from '../../tests/nitro'
import { useHouseholds } from '../../tests/server'
import { DEMO_KITCHEN } from '../db/demo'
import { documents, households } from '../db/schema'
import copies from './copies'

const { household, db } = useHouseholds()
/** Noon: no test runs into the next day. */
const NOON = new Date().setUTCHours(12, 0, 0, 0)
const today = new Date(NOON).toISOString().slice(0, 10)

let folder: string
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['Date'], now: NOON })
  folder = mkdtempSync(path.join(os.tmpdir(), 'bivvet-copies-'))
  settings.copiesFolder = folder
})
afterEach(() => {
  vi.useRealTimers()
  settings.copiesFolder = ''
  rmSync(folder, { recursive: true })
})

/** Whether a server still has the lock of the copies: another one that is started meanwhile leaves them to it. */
const isAtIt = async () => {
  const { rows } = await db().execute(sql`select 1 from pg_locks where locktype = 'advisory'`)
  return rows.length > 0
}
/** Starts a server, as far as its copies go, and ends it once `done` is true and it has done the rest. */
async function start(done: () => boolean | Promise<boolean>) {
  let close: (() => void) | undefined
  copies({ hooks: { hook: (_: string, does: () => void) => (close = does) } } as never)
  try {
    await vi.waitFor(async () => expect((await done()) && !(await isAtIt())).toBe(true), {
      timeout: 200_000,
      interval: 20,
    })
  } finally {
    close!()
  }
}
const isCopied = () => readdirSync(folder).includes(today)
const copyOf = (id: string) => {
  const files = unzipSync(readFileSync(path.join(folder, today, `${id}.zip`)))
  return JSON.parse(strFromU8(files['household.json']!)) as { kitchen: { name: string } }
}

describe('once a day', () => {
  it('each household is copied, and the others too where one cannot be', async () => {
    const [first, broken, last] = [await household(), await household(), await household()]
    await db()
      .update(documents)
      .set({ content: { name: 'no kitchen' } })
      .where(eq(documents.householdId, broken))
    await start(isCopied)
    expect(readdirSync(path.join(folder, today)).sort()).toEqual(
      expect.arrayContaining([`${first}.zip`, `${last}.zip`]),
    )
    expect(copyOf(first).kitchen.name).toBe(DEMO_KITCHEN.name)
    expect(readdirSync(path.join(folder, today))).not.toContain(`${broken}.zip`)
    await db().delete(households).where(eq(households.id, broken))
  })

  it('a copy is not made again, and seven days of it are kept with whatever else stands there', async () => {
    const id = await household()
    const days = Array.from({ length: 9 }, (_, i) => `2026-01-0${i + 1}`)
    for (const name of [...days, 'my own']) mkdirSync(path.join(folder, name))
    const kept = [...days.slice(-6), today, 'my own'].sort()
    await start(() => readdirSync(folder).sort().join() === kept.join())
    const file = path.join(folder, today, `${id}.zip`)
    writeFileSync(file, 'as it is')
    const goneWith = await household()
    await db()
      .update(households)
      .set({ deletedAt: new Date(Date.now() - 40 * 86_400_000) })
      .where(eq(households.id, goneWith))
    // What is cleared away every time says that the server has looked.
    await start(async () => (await db().$count(households, eq(households.id, goneWith))) === 0)
    expect(readFileSync(file, 'utf8')).toBe('as it is')
  })

  it('what was taken away goes after thirty days, and is not copied before', async () => {
    const takenAway = async (days: number) => {
      const id = await household()
      await db()
        .update(households)
        .set({ deletedAt: new Date(Date.now() - days * 86_400_000) })
        .where(eq(households.id, id))
      return id
    }
    const [gone, leaving, here] = [await takenAway(31), await takenAway(29), await household()]
    await start(isCopied)
    const isThere = async (id: string) => (await db().$count(households, eq(households.id, id))) === 1
    expect(await Promise.all([gone, leaving, here].map(isThere))).toEqual([false, true, true])
    const files = readdirSync(path.join(folder, today))
    expect(files).toContain(`${here}.zip`)
    expect(files).not.toContain(`${leaving}.zip`)
  })

  it('nothing is copied where no folder was named', async () => {
    settings.copiesFolder = ''
    const gone = await household()
    await db()
      .update(households)
      .set({ deletedAt: new Date(Date.now() - 31 * 86_400_000) })
      .where(eq(households.id, gone))
    await start(async () => (await db().$count(households, eq(households.id, gone))) === 0)
    expect(readdirSync(folder)).toEqual([])
  })
})
