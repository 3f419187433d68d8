import { randomUUID } from 'node:crypto'
import { request as httpRequest } from 'node:http'
import { expect } from '@playwright/test'
import { Pool } from 'pg'
import { beansDocument, beansRequest, event, join, newcomer, newHousehold, startRun, test } from './kitchen'

// Each of these is an attack, and what it comes to.

const JSON_TYPE = { 'content-type': 'application/json' }

test('what a foreign page sends is not done, whatever it calls itself', async ({ request, baseURL }) => {
  const kitchen = await (await request.get('/api/documents/kitchen/own')).json()
  const data = JSON.stringify({ ...kitchen, content: { ...kitchen.content, name: 'Taken over' } })
  const put = (headers: Record<string, string>) =>
    request.put('/api/documents/kitchen/own', { data, headers: { ...JSON_TYPE, ...headers } })
  const own = new URL(baseURL!)
  for (const [headers, status] of [
    [{ origin: 'https://elsewhere.example' }, 403],
    [{ origin: 'null' }, 403],
    [{ origin: `${own.protocol}//${own.hostname}:1` }, 403],
    [{ 'sec-fetch-site': 'cross-site' }, 403],
    [{ 'sec-fetch-site': 'same-site' }, 403],
    [{ 'content-type': 'text/plain' }, 415],
    [{ 'content-type': 'application/x-www-form-urlencoded' }, 415],
    [{ 'content-type': 'multipart/form-data; boundary=a' }, 415],
  ] as const)
    expect((await put(headers as unknown as Record<string, string>)).status(), JSON.stringify(headers)).toBe(status)
  expect((await (await request.get('/api/documents/kitchen/own')).json()).content.name).toBe(kitchen.content.name)
  expect((await put({ origin: own.origin, 'sec-fetch-site': 'same-origin' })).ok()).toBe(true)
})

test('a name that somebody else has pointed here opens nothing', async ({ baseURL }) => {
  const { hostname, port } = new URL(baseURL!)
  const ask = (host: string, at: string) =>
    new Promise<number>((resolve, reject) => {
      httpRequest({ hostname, port, path: at, headers: { host } }, (answer) => {
        answer.resume()
        resolve(answer.statusCode!)
      })
        .on('error', reject)
        .end()
    })
  expect(await ask(`rebound.example:${port}`, '/api/documents/kitchen/own')).toBe(421)
  expect(await ask('rebound.example', '/')).toBe(421)
  expect(await ask(`localhost:${port}`, '/api/health')).toBe(200)
  expect(await ask(`192.168.1.20:${port}`, '/api/health')).toBe(200)
})

test('a body that never ends is refused while it arrives', async ({ baseURL }) => {
  const { hostname, port } = new URL(baseURL!)
  const outcome = await new Promise<{ status: number; sentKB: number }>((resolve, reject) => {
    let sentKB = 0
    const asking = httpRequest({ hostname, port, path: '/api/plan', method: 'POST', headers: JSON_TYPE }, (answer) => {
      answer.resume()
      clearInterval(pump)
      resolve({ status: answer.statusCode!, sentKB })
      asking.destroy()
    })
    asking.on('error', (error) => sentKB === 0 && reject(error))
    const pump = setInterval(() => {
      sentKB += 64
      asking.write('x'.repeat(64 * 1024))
    }, 5)
  })
  expect(outcome.status).toBe(413)
  // It was going to be without end.
  expect(outcome.sentKB).toBeLessThan(8192)
})

test('text that no database holds, and figures that it does not hold, fail nothing', async ({ request }) => {
  const { runId } = await startRun(request)
  const kitchen = await (await request.get('/api/documents/kitchen/own')).json()
  const name = (data: string | Buffer) => request.put(`/api/runs/${runId}/name`, { data, headers: JSON_TYPE })
  const seen = (data: object) => request.post(`/api/runs/${runId}/events`, { data })
  const answers = [
    await name('{"name":"a\\u0000"}'),
    await name('{"name":"\\ud800"}'),
    await name(Buffer.from([0x22, 0xff, 0xfe, 0x22])),
    await name('{"name":""}'),
    await request.put('/api/documents/kitchen/own', { data: { ...kitchen, version: 2147483647 } }),
    await request.put('/api/documents/kitchen/own', { data: { ...kitchen, version: 1e300 } }),
    await request.get('/api/auth/invites/%00'),
    await request.get('/api/guest/%00'),
    await request.get('/api/runs/%00'),
    await request.get('/api/runs?name=%00'),
    await request.get('/api/runs?name=%ED%A0%80'),
    await request.get('/api/runs?foods=%00'),
    await request.get('/api/runs?cookerId=%00'),
    await request.get('/api/runs?after=99999999999999999_0de70000-0000-4000-8000-000000000001'),
    await request.get('/api/runs?after=-1_x'),
    await request.get('/api/runs?after=%00_%00'),
    await request.get('/api/changes?age=%00'),
    await seen(event({ kind: 'lit' }, 8.64e15 + 1)),
    await seen(event({ kind: 'lit' }, -62_167_219_200_000)),
    await request.post('/api/learnt/forget', { data: '{"figures":["taste\\u0000"]}', headers: JSON_TYPE }),
    await request.post('/api/log', {
      data: {
        runs: [
          { id: 'x', cooker: 'y', request: beansRequest(), events: [{ at: '0000-01-01', data: { kind: 'lit' } }] },
        ],
      },
    }),
    await request.get('/calendar/%00.ics'),
  ]
  for (const answer of answers)
    expect([200, 400, 404, 409, 422], `${answer.url()}: ${await answer.text()}`).toContain(answer.status())
  const dish = { content: beansDocument() }
  for (const version of [2147483647, 2147483648, -1, 1.5]) {
    const answer = await request.put(`/api/documents/dish/${randomUUID()}`, { data: { ...dish, version } })
    expect([409, 422], `${version}: ${await answer.text()}`).toContain(answer.status())
  }
})

test('scripts and frames from elsewhere are refused, and nothing stays in a cache', async ({ request, page }) => {
  const headers = (await request.get('/')).headers()
  const policy = headers['content-security-policy']!
  expect(policy).toContain("default-src 'self'")
  expect(policy).toContain("frame-ancestors 'none'")
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+'/)
  expect(/script-src [^;]*/.exec(policy)![0]).not.toContain('unsafe')
  expect(headers['x-powered-by']).toBeUndefined()
  expect(headers['x-content-type-options']).toBe('nosniff')
  expect(headers['referrer-policy']).toBe('same-origin')
  const { 'cache-control': cached, 'x-content-type-options': sniffed } = (
    await request.get('/api/documents/kitchen/own')
  ).headers()
  expect([cached, sniffed]).toEqual(['no-store', 'nosniff'])
  // An inline script that somebody got into the page is not run.
  await page.goto('/')
  await page.evaluate(() => {
    const script = document.createElement('script')
    script.textContent = 'window.taken = true'
    document.body.append(script)
  })
  expect(await page.evaluate(() => (window as { taken?: boolean }).taken)).toBeUndefined()
})

test('a run that takes long to work out holds up nobody else', async ({ request, baseURL }) => {
  const lit = Date.now() - 9_000_000
  const whistles = Array.from({ length: 480 }, (_, i) => ({
    at: lit + 600_000 + i * 1000,
    data: { kind: 'whistle', how: 'ear' },
  }))
  const run = {
    id: 'long',
    cooker: 'blue',
    burner: 'strong',
    request: beansRequest(),
    events: [
      { at: lit, data: { kind: 'lit' } },
      ...whistles,
      { at: lit + 1_200_000, data: { kind: 'heat-off' } },
      { at: lit + 2_000_000, data: { kind: 'opened' } },
    ],
  }
  const read = await request.post('/api/log', { data: { runs: [run] }, timeout: 60_000 })
  expect(read.ok(), await read.text()).toBe(true)
  const theirs = await newcomer(baseURL)
  await join(theirs, await newHousehold())
  const working = request.get('/api/learnt', { timeout: 60_000 })
  // What another household asks meanwhile has its answer, again and again.
  for (let i = 0; i < 5; i++)
    expect((await theirs.get('/api/documents/kitchen/own', { timeout: 8000 })).ok()).toBe(true)
  expect((await working).ok()).toBe(true)
  expect((await (await request.get('/api/learnt', { timeout: 60_000 })).json()).pending).toBe(0)
  await theirs.dispose()
})

test('a strange change event breaks off nothing', async ({ page, request }) => {
  const { runId } = await startRun(request)
  await page.goto(`/log/${runId}`)
  await expect(page.getByText('Beans for a test').first()).toBeVisible()
  const pool = new Pool({ connectionString: process.env.DATABASE_URL, max: 1 })
  for (const told of ['no change event', '{}', '{"householdId":1}', ''])
    await pool.query('select pg_notify($1, $2)', ['bivvet_changes', told])
  await pool.end()
  expect((await request.put(`/api/runs/${runId}/name`, { data: { name: 'Renamed elsewhere' } })).ok()).toBe(true)
  await expect(page.getByText('Renamed elsewhere').first()).toBeVisible()
})
