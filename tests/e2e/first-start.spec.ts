import { expect, test, type Page } from '@playwright/test'
import { Pool } from 'pg'
import { expectAccessible, sideways } from './kitchen'
import { OwnServer } from './own-server'

// A server of its own, on a database in which nothing is yet.

const PASSWORD = 'a long enough password'
let own: OwnServer
let url: string

test.describe.configure({ mode: 'serial' })
test.beforeAll(async () => {
  own = await OwnServer.prepare()
  url = own.url
  // Two servers that are started at once both find the schema made.
  expect(await Promise.all([own.makeTables('migrate'), own.makeTables('migrate')])).toEqual([0, 0])
  await own.start()
})
test.afterAll(() => own.remove())

/** An authenticator that says yes to everything. */
async function withAuthenticator(page: Page) {
  const session = await page.context().newCDPSession(page)
  await session.send('WebAuthn.enable')
  await session.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  })
}

test('whoever comes first makes the household, lets others in and out, and comes back', async ({ browser }) => {
  const context = await browser.newContext({ baseURL: url })
  const page = await context.newPage()
  await withAuthenticator(page)
  await page.goto('/larder')
  await expect(page.getByRole('heading', { name: 'Create your household' })).toBeVisible()
  await expect(page.getByRole('navigation')).toHaveCount(0)
  await expectAccessible(page)
  await page.getByLabel('Name of the household').fill('Mill Lane')
  await page.getByLabel('Altitude').fill('320')
  await page.getByLabel('Your name').fill('First cook')
  await page.getByLabel('Sign-in name').fill('First.Cook')
  await page.getByRole('button', { name: 'Create it' }).click()
  await expect(page.getByRole('alert')).toContainText('belong together')
  await page.getByLabel('Password, at least').fill(PASSWORD)
  await page.getByRole('button', { name: 'Create it' }).click()
  // Where somebody wanted to go is where they are.
  await expect(page.getByRole('navigation')).toBeVisible()
  await expect(page).toHaveURL(/\/larder$/)
  await page.goto('/kitchen')
  await expect(page.getByRole('heading', { name: 'Mill Lane' })).toBeVisible()
  await page.getByRole('link', { name: 'Members' }).click()
  await expect(page.getByRole('heading', { name: 'Members' })).toBeVisible()
  await page.getByLabel('Name of a new passkey').fill('Phone of the house')
  const registered = page.waitForRequest((one) => one.url().endsWith('/api/people/passkey') && one.method() === 'POST')
  await page.getByRole('button', { name: 'Add a passkey' }).click()
  await expect(page.getByText('The passkey is saved.')).toBeVisible()
  await expect(page.getByLabel('Passkey 1')).toHaveValue('Phone of the house')
  await expect(page.getByText('Passkey added: Phone of the house')).toBeVisible()
  // What was signed once is worth nothing a second time, and no fault of the server.
  const signed = (await registered).postDataJSON() as object
  expect((await page.request.post('/api/people/passkey', { data: signed })).status()).toBe(422)

  // A link says into what it leads, and does nothing until that is wanted.
  await page.getByRole('button', { name: 'Invite somebody' }).click()
  await expect(page.getByRole('img', { name: 'The link as a QR code' })).toBeVisible()
  const link = (await page.locator('code').textContent())!
  await expectAccessible(page)
  const second = await browser.newContext({ baseURL: url, viewport: { width: 390, height: 844 }, colorScheme: 'dark' })
  const phone = await second.newPage()
  await phone.goto(link)
  await expect(phone.getByRole('heading', { name: 'First cook invites you to Mill Lane' })).toBeVisible()
  await expectAccessible(phone)
  expect(await sideways(phone)).toBe(0)
  expect(await phone.request.get('/api/documents/kitchen/own').then((answer) => answer.status())).toBe(401)
  await phone.getByLabel('Your name').fill('Second cook')
  await phone.getByRole('button', { name: 'Join' }).click()
  await expect(phone.getByRole('navigation')).toBeVisible()
  await phone.goto('/kitchen/people')
  await expect(phone.getByText('Without a password or a passkey you cannot sign in on another device')).toBeVisible()
  await expect(phone.getByRole('button', { name: 'Invite somebody' })).toHaveCount(0)
  await expectAccessible(phone)
  expect(await sideways(phone)).toBe(0)
  await phone.goto(link)
  await expect(phone.getByText('This link does not work any more')).toBeVisible()

  // Let go, and out at once.
  const theirs = page.getByRole('listitem').filter({ has: page.getByText('Second cook', { exact: true }) })
  await theirs.getByRole('button', { name: 'Remove' }).click()
  await theirs.getByRole('button', { name: 'Yes' }).click()
  await expect(theirs).toHaveCount(0)
  await phone.goto('/kitchen')
  await expect(phone.getByRole('heading', { name: 'Sign in', exact: true })).toBeVisible()
  await expectAccessible(phone)
  await second.close()

  // Out, and in by the password, and by the passkey.
  const goOut = async () => {
    await page.goto('/kitchen/people')
    // The page begins anew; what is typed before it has would be lost with it.
    const begun = page.waitForEvent('load')
    await page.getByRole('button', { name: 'Sign out on this device' }).click()
    await begun
    await expect(page.getByRole('heading', { name: 'Sign in', exact: true })).toBeVisible()
  }
  await goOut()
  const signIn = page.getByRole('button', { name: 'Sign in', exact: true })
  await expect(async () => {
    await page.getByLabel('Sign-in name').fill('first.cook')
    await page.getByLabel('Password').fill('not this one at all')
    await expect(signIn).toBeEnabled({ timeout: 1000 })
  }).toPass()
  await signIn.click()
  await expect(page.getByText('Name and password do not fit together')).toBeVisible()
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('navigation')).toBeVisible()
  await goOut()
  const entered = page.waitForRequest((one) => one.url().endsWith('/api/auth/passkey') && one.method() === 'POST')
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click()
  await expect(page.getByRole('navigation')).toBeVisible()
  const replay = await browser.newContext({ baseURL: url })
  const again = await replay.request.post('/api/auth/passkey', { data: (await entered).postDataJSON() as object })
  expect(again.status()).toBe(403)
  await replay.close()

  // There is one household here, and nobody makes another.
  const asked = { household: 'Another', altitudeM: 0, member: 'Somebody' }
  const founding = await page.request.post('/api/auth/household', { data: asked })
  expect(founding.status()).toBe(403)

  // Taken away, and had back.
  await page.goto('/kitchen/people')
  await page.getByRole('button', { name: 'Delete the household' }).click()
  await page.getByRole('button', { name: 'Yes' }).click()
  await expect(page.getByRole('heading', { name: 'This household was deleted' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Restore it' }).click()
  await expect(page.getByRole('navigation')).toBeVisible()
  await context.close()
})

test('a stop ends with streams open, and a frozen or missing database is said', async ({ browser }) => {
  const context = await browser.newContext({ baseURL: url })
  const page = await context.newPage()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Sign in', exact: true })).toBeVisible()
  const enter = { signInName: 'first.cook', password: PASSWORD }
  expect((await page.request.post('/api/auth/enter', { data: enter })).status()).toBe(204)
  await page.goto('/kitchen')
  await expect(page.getByRole('heading', { name: 'Mill Lane' })).toBeVisible()
  const tooLate = new Promise((resolve) => setTimeout(() => resolve('too late'), 15_000))
  expect(await Promise.race([own.stop(), tooLate])).not.toBe('too late')
  // The sessions are the server's, not the process's.
  await own.start()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Mill Lane' })).toBeVisible()
  // What locks a row for good is said, and starves nobody who needs another.
  const pool = new Pool({ connectionString: own.env.DATABASE_URL, max: 1 })
  const holder = await pool.connect()
  await holder.query('begin')
  await holder.query('select 1 from households for update')
  const kitchen = await (await page.request.get('/api/documents/kitchen/own')).json()
  const held = await page.request.put('/api/documents/kitchen/own', { data: kitchen, timeout: 20_000 })
  expect(held.status()).toBe(503)
  expect((await held.json()).problems[0].code).toBe('database')
  expect((await page.request.get('/api/documents/kitchen/own')).ok()).toBe(true)
  await holder.query('rollback')
  holder.release()
  await pool.end()
  expect((await page.request.put('/api/documents/kitchen/own', { data: kitchen })).ok()).toBe(true)
  // One that takes nothing in is said, and can be read.
  const admin = new Pool({ connectionString: own.env.DATABASE_URL, max: 1 })
  const readOnly = async (is: boolean) => {
    await admin.query(`set default_transaction_read_only = off`)
    await admin.query(
      `do $$ begin execute format('alter database %I set default_transaction_read_only = ${is ? 'on' : 'off'}', current_database()); end $$`,
    )
    await admin.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
    )
  }
  await readOnly(true)
  const full = () => page.request.put('/api/documents/kitchen/own', { data: kitchen, timeout: 20_000 })
  await expect
    .poll(async () => (await (await full()).json()).problems?.[0].code, { timeout: 30_000 })
    .toBe('database-reads-only')
  expect((await full()).status()).toBe(503)
  expect((await page.request.get('/api/documents/kitchen/own')).ok()).toBe(true)
  const health = await page.request.get('/api/health', { timeout: 20_000 })
  expect([health.status(), await health.json()]).toMatchObject([503, { ok: false, writes: false }])
  await readOnly(false)
  await admin.end()
  await expect.poll(async () => (await full()).status(), { timeout: 30_000 }).toBe(200)
  // One that stands still altogether is said too, and is nothing to start anew for.
  own.wire.freeze()
  const frozen = await page.request.put('/api/documents/kitchen/own', { data: kitchen, timeout: 20_000 })
  expect([frozen.status(), (await frozen.json()).problems[0].code]).toEqual([503, 'database'])
  expect((await page.request.get('/api/health', { timeout: 20_000 })).status()).toBe(503)
  own.wire.thaw()
  await expect
    .poll(async () => (await page.request.put('/api/documents/kitchen/own', { data: kitchen })).status(), {
      timeout: 30_000,
    })
    .toBe(200)
  await context.close()
})
