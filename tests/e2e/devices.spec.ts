import { spawn, type ChildProcess } from 'node:child_process'
import { createServer } from 'node:net'
import path from 'node:path'
import { expect, type APIRequestContext, type Page } from '@playwright/test'
import { BUNDLES } from '../../locales/bundles'
import { event, keepDish, litBefore, startRun, test } from './kitchen'

/** A server process of its own on the same database, as a second machine would be. */
async function serve(port: number): Promise<{ url: string; kill: () => Promise<void> }> {
  const server: ChildProcess = spawn('node', [path.resolve('.output/server/index.mjs')], {
    env: { ...process.env, ...serverSettings(), PORT: String(port), HOST: '127.0.0.1', NODE_ENV: 'production' },
    stdio: 'ignore',
  })
  const url = `http://127.0.0.1:${port}`
  await expect
    .poll(
      () =>
        fetch(url).then(
          ({ ok }) => ok,
          () => false,
        ),
      { timeout: 20_000 },
    )
    .toBe(true)
  return {
    url,
    kill: () =>
      new Promise((resolve) => {
        server.once('exit', () => resolve())
        server.kill('SIGKILL')
      }),
  }
}
const serverSettings = () => ({
  DATABASE_URL: process.env.DATABASE_URL!,
  // The same as the first's, so that a device keeps its household on both.
  NUXT_SESSION_PASSWORD: process.env.NUXT_SESSION_PASSWORD!,
  NUXT_DEFAULT_HOUSEHOLD_ID: '0de70000-0000-4000-8000-000000000001',
})
const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })

const great = (page: Page) => page.locator('.great')
const counted = (n: number) => new RegExp(`^${n}\\s*of`)
/** The pot was lit long enough ago that it may whistle. */
async function light(page: Page, request: APIRequestContext) {
  await litBefore(request, page.url().split('/').at(-1)!)
  await expect(page.getByRole('button', { name: /Count a whistle/ })).toBeVisible()
}

// In real time, against sound, speed or dying servers: a machine that is busy may spoil a try, and it is named then.
test.describe.configure({ retries: 2 })
test('a device that slept shows on waking what happened meanwhile, by the events’ own times', async ({
  page,
  request,
}) => {
  const { runId } = await startRun(request)
  await litBefore(request, runId, 30)
  const minutesAgo = (minutes: number) => Date.now() - minutes * 60_000
  expect(
    (await request.post(`/api/runs/${runId}/events`, { data: event({ kind: 'whistle' }, minutesAgo(4)) })).ok(),
  ).toBe(true)
  await page.goto(`/cook/${runId}`)
  await expect(great(page)).toHaveText(counted(1))

  // Asleep: no script runs, and the stream of change events is gone.
  const browser = await page.context().newCDPSession(page)
  await page.context().setOffline(true)
  await browser.send('Page.setWebLifecycleState', { state: 'frozen' })
  const sleptAt = minutesAgo(3)
  for (let n = 0; n < 2; n++) {
    const whistle = await request.post(`/api/runs/${runId}/events`, {
      data: event({ kind: 'whistle' }, minutesAgo(2 - n)),
    })
    expect(whistle.ok()).toBe(true)
    await page.waitForTimeout(1000)
  }
  const off = await request.post(`/api/runs/${runId}/events`, { data: event({ kind: 'heat-off' }) })
  expect(off.ok()).toBe(true)
  await browser.send('Page.setWebLifecycleState', { state: 'active' })
  await page.context().setOffline(false)
  await expect(page.getByRole('heading', { name: 'Leave it shut.' })).toBeVisible()
  const { events } = await (await request.get(`/api/runs/${runId}`)).json()
  expect(events.filter(({ at }: { at: number }) => at >= sleptAt)).toHaveLength(3)
  // And it takes up again what it is told from now on.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(great(page)).toHaveText(counted(3))
})

test('two browsers on two server processes show the same run', async ({ page, browser, request }) => {
  const { runId } = await startRun(request)
  const other = await serve(await freePort())
  try {
    const second = await (await browser.newContext()).newPage()
    await page.goto(`/cook/${runId}`)
    await second.goto(`${other.url}/cook/${runId}`)
    await light(page, request)
    await expect(second.getByRole('button', { name: /Count a whistle/ })).toBeVisible()
    // The second listens by now: what is pressed on one is on the other.
    for (const [i, [from, to]] of (
      [
        [page, second],
        [second, page],
        [page, second],
      ] as const
    ).entries()) {
      await from.keyboard.press('Space')
      await expect(great(to)).toHaveText(counted(i + 1))
    }
    const { events } = await (await request.get(`/api/runs/${runId}`)).json()
    expect(events.filter(({ data }: { data: { kind: string } }) => data.kind === 'whistle')).toHaveLength(3)
    await second.context().close()
  } finally {
    await other.kill()
  }
})

test('a server killed in the middle of a run loses nothing, and nothing is stored twice', async ({ page, request }) => {
  const { runId } = await startRun(request)
  const port = await freePort()
  const first = await serve(port)
  await page.goto(`${first.url}/cook/${runId}`)
  await light(page, request)
  await page.keyboard.press('Space')
  await expect(great(page)).toHaveText(counted(1))
  await first.kill()
  await page.keyboard.press('Space')
  await page.waitForTimeout(300)
  await page.keyboard.press('Space')
  await expect(great(page)).toHaveText(counted(3))
  await expect(page.getByText(/Not saved yet/)).toBeVisible()
  const again = await serve(port)
  try {
    const stored = async () => {
      const { events } = await (await request.get(`/api/runs/${runId}`)).json()
      return (events as { id: string; at: number; data: { kind: string } }[]).filter(
        ({ data }) => data.kind === 'whistle',
      )
    }
    await expect.poll(async () => (await stored()).length, { timeout: 30_000 }).toBe(3)
    const events = await stored()
    expect(new Set(events.map(({ id }) => id)).size).toBe(3)
    expect(events.map(({ at }) => at)).toEqual(events.map(({ at }) => at).sort((a, b) => a - b))
    await expect(great(page)).toHaveText(counted(3))
  } finally {
    await again.kill()
  }
})

/** The worker holds what it was installed with; the words of the language come when the first screen stands. */
const isKept = (page: Page) =>
  expect
    .poll(() => page.evaluate(async () => (await (await caches.open('words')).keys()).length), { timeout: 60_000 })
    .toBeGreaterThanOrEqual(BUNDLES.length)

test('with no network the Cook screen opens, counts on, and sends it all when it is back', async ({
  browser,
  request,
}) => {
  const { runId } = await startRun(request)
  const context = await browser.newContext({ serviceWorkers: 'allow' })
  const page = await context.newPage()
  await page.goto(`/cook/${runId}`)
  await light(page, request)
  await page.keyboard.press('Space')
  await expect(great(page)).toHaveText(counted(1))
  await page.evaluate(() => navigator.serviceWorker.ready)
  // The worker holds what it was installed with; the page itself is fetched through it once.
  await page.reload()
  await expect(great(page)).toHaveText(counted(1))
  await isKept(page)

  await context.setOffline(true)
  await page.keyboard.press('Space')
  await expect(great(page)).toHaveText(counted(2))
  await page.reload()
  await expect(great(page)).toHaveText(counted(2))
  await page.keyboard.press('Space')
  await expect(great(page)).toHaveText(counted(3))

  await context.setOffline(false)
  const kinds = async () => {
    const { events } = await (await request.get(`/api/runs/${runId}`)).json()
    return (events as { data: { kind: string } }[]).map(({ data }) => data.kind)
  }
  await expect.poll(kinds, { timeout: 30_000 }).toEqual(['lit', 'whistle', 'whistle', 'whistle'])
  await expect(great(page)).toHaveText(counted(3))
  await context.close()
})

test('it can be installed as an app', async ({ page, request }) => {
  await page.goto('/')
  const href = await page.locator('link[rel="manifest"]').getAttribute('href')
  const manifest = await (await request.get(href!)).json()
  expect(manifest).toMatchObject({ name: 'Bivvet', display: 'standalone', start_url: '/' })
  for (const { src } of manifest.icons) expect((await request.get(src)).status()).toBe(200)
  expect((await request.get('/sw.js')).status()).toBe(200)
})

test('a pot is lit without a network, and is there for everybody once it is back', async ({ browser, request }) => {
  const context = await browser.newContext({ serviceWorkers: 'allow' })
  const page = await context.newPage()
  await page.goto('/pot')
  await expect(page.getByRole('button', { name: 'Light it' })).toBeEnabled()
  await page.evaluate(() => navigator.serviceWorker.ready)
  await page.reload()
  await expect(page.getByRole('button', { name: 'Light it' })).toBeEnabled()
  await isKept(page)

  await context.setOffline(true)
  await page.getByRole('button', { name: 'Light it' }).click()
  await expect(page.getByText(/Not saved yet: 1/)).toBeVisible()
  await page.getByRole('button', { name: 'All four are fine' }).click()
  await page.getByRole('button', { name: 'It is lit' }).click()
  await page.reload()
  await expect(page.getByRole('heading', { name: /first whistle/ })).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText(/Not saved yet/)).toBeHidden({ timeout: 30_000 })
  const { events } = await (await request.get(`/api/runs/${page.url().split('/').at(-1)!}`)).json()
  expect((events as { data: { kind: string } }[]).map(({ data }) => data.kind)).toEqual(['checked', 'lit'])
  await context.close()
})

test('without a network a dinner, dishes, a dish, its guide, the log, a run and what was learnt open again', async ({
  browser,
  request,
}) => {
  const { runId } = await startRun(request)
  const dishId = await keepDish(request)
  const context = await browser.newContext({ serviceWorkers: 'allow' })
  const page = await context.newPage()
  await page.goto('/')
  await page.getByRole('button', { name: 'Plan a dinner of several dishes' }).click()
  await expect(page.locator('.dinner-space')).toBeVisible()
  await page.evaluate(() => navigator.serviceWorker.ready)
  const places: [path: string, sign: () => ReturnType<typeof page.getByText>][] = [
    ['/', () => page.locator('.dinner-space header h1')],
    ['/dishes', () => page.getByText('White beans with squash').first()],
    [`/dishes/${dishId}`, () => page.getByText('White beans with squash').first()],
    [`/dishes/${dishId}/cook`, () => page.getByText('White beans with squash').first()],
    ['/log', () => page.getByRole('heading', { name: 'Log' })],
    [`/log/${runId}`, () => page.getByText('Navy beans').first()],
    ['/log/learnt', () => page.getByRole('heading', { level: 1 })],
  ]
  for (const [path, sign] of places) {
    await page.goto(path)
    await expect(sign()).toBeVisible()
    await page.waitForTimeout(400)
  }
  await context.setOffline(true)
  for (const [path, sign] of places) {
    await page.goto(path)
    await expect(sign(), path).toBeVisible()
    await expect(page.getByText('does not answer'), path).toBeHidden()
  }
  await context.close()
})

test('where the browser keeps nothing every page still works, and says so', async ({ browser }) => {
  const context = await browser.newContext()
  await context.addInitScript(() => {
    for (const name of ['localStorage', 'sessionStorage'])
      Object.defineProperty(window, name, {
        configurable: true,
        get() {
          throw new DOMException('No storage here', 'SecurityError')
        },
      })
  })
  const page = await context.newPage()
  for (const path of ['/', '/pot', '/dishes', '/larder', '/kitchen', '/log', '/practice']) {
    await page.goto(path)
    await expect(page.getByText('This browser saves nothing between visits'), path).toBeVisible()
    await expect(page.getByRole('heading', { level: 1 }).first(), path).toBeVisible()
  }
  await context.close()
})

test('where its storage is full a pot is planned all the same', async ({ browser }) => {
  const context = await browser.newContext()
  await context.addInitScript(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('Full', 'QuotaExceededError')
    }
  })
  const page = await context.newPage()
  await page.goto('/pot')
  await expect(page.getByRole('button', { name: 'Light it' })).toBeVisible()
  await expect(page.getByText('This browser saves nothing between visits')).toBeVisible()
  await context.close()
})
