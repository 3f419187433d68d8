import { expect, request as playwrightRequest } from '@playwright/test'
import sharp from 'sharp'
import { choose, expectAccessible, sideways, test, watchForErrors } from './kitchen'

/** The months that the demo kitchen has cooked, as the file that it gives out. */
async function demoLog(baseURL: string): Promise<{ runs: Record<string, unknown>[] }> {
  // Whoever comes without a household of their own is shown the demo.
  const context = await playwrightRequest.newContext({ baseURL, storageState: { cookies: [], origins: [] } })
  const file = await context.get('/api/log')
  expect(file.ok()).toBe(true)
  const log = (await file.json()) as { runs: Record<string, unknown>[] }
  expect(log.runs).toHaveLength(60)
  await context.dispose()
  return log
}
const asFile = (content: unknown) => ({
  name: 'log.json',
  mimeType: 'application/json',
  buffer: Buffer.from(typeof content === 'string' ? content : JSON.stringify(content)),
})

test('a log is read in, teaches, is forgotten and known again, and changes what a pot is told', async ({
  page,
  baseURL,
}) => {
  const errors = watchForErrors(page)
  const log = await demoLog(baseURL!)
  await page.goto('/log/learnt')
  await expect(page.getByRole('heading', { name: 'Your log says nothing yet' })).toBeVisible()
  const read = (content: unknown) => page.getByLabel('Read a file in').setInputFiles(asFile(content))

  // What is broken is told row by row, and nothing of it is kept.
  await read('no JSON')
  await expect(page.getByText('This is not a log: it is neither JSON nor a table (CSV).')).toBeVisible()
  const [first] = log.runs
  await read({ runs: [{ ...first, verdicts: [{ content: 7, texture: 0, water: 0 }] }] })
  await expect(page.getByText('runs.0.verdicts.0.content: There is no such food in this pot')).toBeVisible()
  // The browser says of itself that something was refused.
  errors.length = 0
  await read(log)
  await expect(page.getByText('60 pots of 60 were new')).toBeVisible({ timeout: 60_000 })
  await expect(page.getByRole('heading', { name: 'What your log says, from 60 pots' })).toBeVisible({ timeout: 60_000 })
  await read(log)
  await expect(page.getByText('Nothing new: all 60 pots are here already.')).toBeVisible({ timeout: 60_000 })

  // Each figure with what spoke of it; forgotten, and known again.
  const leak = page.locator('details.line').filter({ hasText: 'Old 3 L loses heat' })
  await expect(leak).toContainText('the gasket may leak')
  await leak.locator('summary').click()
  await expect(leak.getByText(/this pot alone says × 1\.\d/).first()).toBeVisible()
  await expect(page.getByRole('heading', { name: 'How close the plans came' })).toBeVisible()
  await expectAccessible(page)
  await leak.getByRole('button', { name: 'Forget this' }).click()
  await expect(page.getByText('Forgotten: what your log said of Old 3 L loses heat until now.')).toBeVisible()
  await expect(leak).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(leak).toBeVisible()

  // A pot says what the log put in, what it would be without, and how it was done last time.
  await page.goto('/pot')
  await expect(page.getByText(/From your log: \d+ W of heat instead of (1,300|400|300)/)).toBeVisible()
  // By the clock, to which a weaker flame makes the greatest difference; whistles come when they come.
  await page.getByText('By the clock', { exact: true }).first().click()
  await expect(page.getByText('as your log says')).toBeVisible()
  await page.getByRole('button', { name: 'How did I do this last time?' }).click()
  const told = page.getByText(/navy beans, \d+ g of water, \d+ whistles?\..* came out/)
  await expect(told).toBeVisible()
  await page.getByRole('button', { name: 'Fill in that pot again' }).click()
  const grams = /(\d+) g navy beans/.exec((await told.textContent())!)![1]!
  await expect(page.getByLabel('Dry amount')).toHaveValue(grams)
  expect(errors).toEqual([])
})

test('the log is looked through, and a pot in it says what it taught', async ({ page, baseURL, request }) => {
  const log = await demoLog(baseURL!)
  expect((await request.post('/api/log', { data: log, timeout: 60_000 })).ok()).toBe(true)
  await page.goto('/log')
  const rows = page.getByRole('link', { name: /Mon|Tue|Wed|Thu|Fri|Sat|Sun/ })
  await expect(rows).toHaveCount(30)
  // On paper it is the list alone.
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByLabel('Find a pot or a food')).toBeHidden()
  await expect(page.locator('.log .more')).toBeHidden()
  await expect(rows.first()).toBeVisible()
  await page.emulateMedia({ media: 'screen' })
  await page.getByLabel('Find a pot or a food').fill('barley')
  await expect(page.getByRole('link', { name: /Barley and mushroom pot/ }).first()).toBeVisible()
  await expect(page.getByRole('link', { name: /Red beans/ })).toHaveCount(0)
  await choose(page, 'Cooker', 'Old 3 L')
  await expect(page.getByText('No pot matches.')).toBeVisible()
  await page.getByLabel('Find a pot or a food').fill('')
  await choose(page, 'Cooker', 'Blue 5 L')
  await choose(page, 'How it was', 'right')
  // What was asked for before is still listed until the answer comes.
  await expect(rows.filter({ hasNotText: 'right' })).toHaveCount(0)
  await page.getByRole('link', { name: /right/ }).first().click()
  await expect(page.getByRole('heading', { name: 'What this pot showed' })).toBeVisible()
  const taught = page.locator('.taught li')
  await expect(taught.first()).toBeVisible({ timeout: 60_000 })
  // Printed, what was said of it is text, and its strip is as wide as the paper.
  await page.emulateMedia({ media: 'print' })
  await page.setViewportSize({ width: 720, height: 1000 })
  await expect(page.locator('.paper li').first()).toContainText('right')
  await expect(page.locator('.verdicts')).toBeHidden()
  const strip = (await page.locator('.strip svg').first().boundingBox())!
  expect(strip.x + strip.width).toBeLessThanOrEqual(720)
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.emulateMedia({ media: 'screen' })
  const plain = { width: 1200, height: 1600, channels: 3, background: '#6b4a2f' } as const
  const picture = await sharp({ create: plain }).jpeg().toBuffer()
  await page
    .getByLabel('Add a photograph of the pot')
    .setInputFiles({ name: 'pot.jpg', mimeType: 'image/jpeg', buffer: picture })
  await expect(page.getByRole('img', { name: /^The pot: / })).toBeVisible()
  await page.getByRole('button', { name: 'I lifted it early' }).click()
  await expect(page.getByRole('button', { name: 'I lifted it early' })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'Do not learn from this pot' }).click()
  await expect(page.getByText('Nothing is learnt from this pot.')).toBeVisible()
  await page.reload()
  await expect(page.getByText('Nothing is learnt from this pot.')).toBeVisible()
  await expect(page.getByRole('img', { name: /^The pot: / })).toBeVisible()
  await page.getByRole('button', { name: 'Remove the photograph' }).click()
  await expect(page.getByRole('img', { name: /^The pot: / })).toHaveCount(0)
  await page.getByRole('button', { name: 'Learn from it again' }).click()
  await expect(page.getByText('Nothing is learnt from this pot.')).toHaveCount(0)
  await expectAccessible(page)
})

test('a log that was looked at as a table comes in again, and a broken row is told by its number', async ({
  baseURL,
  request,
  page,
}) => {
  const demo = await playwrightRequest.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } })
  const table = await (await demo.get('/api/log?as=csv')).text()
  await demo.dispose()
  await page.goto('/log/learnt')
  const read = (content: string) =>
    page
      .getByLabel('Read a file in')
      .setInputFiles({ name: 'log.csv', mimeType: 'text/csv', buffer: Buffer.from(content) })
  await read(table.replace('""request""', '""rekwest""'))
  await expect(page.getByText('Row 2 cannot be read')).toBeVisible()
  expect((await (await request.get('/api/runs')).json()).runs).toEqual([])
  await read(table)
  await expect(page.getByText('60 pots of 60 were new')).toBeVisible({ timeout: 60_000 })
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, colorScheme: 'dark' })
  test('what was learnt is read without running out of the page', async ({ page, baseURL, request }) => {
    const log = await demoLog(baseURL!)
    expect((await request.post('/api/log', { data: log, timeout: 60_000 })).ok()).toBe(true)
    await page.goto('/log/learnt')
    await expect(page.getByRole('heading', { name: 'What your log says, from 60 pots' })).toBeVisible({
      timeout: 60_000,
    })
    expect(await sideways(page)).toBe(0)
    await expectAccessible(page)
  })
})
