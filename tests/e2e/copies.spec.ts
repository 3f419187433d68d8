import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { text } from 'node:stream/consumers'
import { expect, test } from '@playwright/test'
import { strFromU8, unzipSync } from 'fflate'
import { DEMO_HOUSEHOLD } from '../../scripts/demo-household.mjs'
import { OwnServer } from './own-server'

// What the server and its owner copy, on a server of its own with the demo household.

const folder = mkdtempSync(path.join(os.tmpdir(), 'bivvet-copies-'))
const copies = path.join(folder, 'nightly')
let own: OwnServer

test.describe.configure({ mode: 'serial' })
test.beforeAll(async () => {
  own = await OwnServer.prepare({ NUXT_COPIES_FOLDER: copies, NUXT_DEFAULT_HOUSEHOLD_ID: DEMO_HOUSEHOLD })
  expect(await own.makeTables('demo')).toBe(0)
})
test.afterAll(async () => {
  await own.remove()
  rmSync(folder, { recursive: true })
})

const kitchenName = async () => {
  const answer = await fetch(`${own.url}/api/documents/kitchen/own`)
  return ((await answer.json()) as { content: { name: string } }).content.name
}

test('each household is copied once a day, and a week of it is kept', async () => {
  const days = Array.from({ length: 9 }, (_, i) => `2026-01-0${i + 1}`)
  for (const day of days) mkdirSync(path.join(copies, day), { recursive: true })
  // What else stands there is nobody's to throw away.
  mkdirSync(path.join(copies, 'my own'))
  await own.start()
  const today = new Date().toISOString().slice(0, 10)
  const file = path.join(copies, today, `${DEMO_HOUSEHOLD}.zip`)
  await expect.poll(() => existsSync(file), { timeout: 30_000 }).toBe(true)
  await expect.poll(() => readdirSync(copies).sort(), { timeout: 30_000 }).toEqual([...days.slice(-6), today, 'my own'])
  const whole = unzipSync(readFileSync(file))
  const { kitchen, log } = JSON.parse(strFromU8(whole['household.json']!)) as {
    kitchen: { name: string }
    log: { runs: unknown[] }
  }
  expect(kitchen.name).toBe(await kitchenName())
  expect(log.runs).toHaveLength(60)
  // Started again the same day, it leaves the copy alone.
  writeFileSync(file, 'as it is')
  await own.stop()
  await own.start()
  await new Promise((resolve) => setTimeout(resolve, 1500))
  expect(readFileSync(file, 'utf8')).toBe('as it is')
})

test('the owner copies the whole database, and puts it back only where that destroys nothing unasked', async () => {
  // Not waited for in one go: the wire to its database goes through this process.
  const backup = async (...args: string[]) => {
    const child = spawn('node', ['scripts/backup.mjs', ...args], { env: own.env, stdio: ['ignore', 'pipe', 'pipe'] })
    const [ended, ...said] = await Promise.all([once(child, 'close'), text(child.stdout), text(child.stderr)])
    return { status: ended[0] as number | null, said: said.join('\n') }
  }
  const file = path.join(folder, 'whole.dump')
  const made = await backup('backup', file)
  expect([made.status, made.said]).toEqual([0, expect.stringContaining(file)])
  const name = await kitchenName()
  await own.query(
    `update documents set content = jsonb_set(content, '{name}', '"Spoilt"'), version = version + 1 where kind = 'kitchen'`,
  )

  const refused = await backup('restore', file)
  expect(refused.status).not.toBe(0)
  expect(refused.said).toContain('--replace')
  const bad = path.join(folder, 'bad.dump')
  writeFileSync(bad, 'this is no copy')
  expect((await backup('restore', bad, '--replace')).status).not.toBe(0)
  await own.stop()
  await own.start()
  expect(await kitchenName()).toBe('Spoilt')

  expect((await backup('restore', file, '--replace')).status).toBe(0)
  await own.stop()
  await own.start()
  expect(await kitchenName()).toBe(name)
})
