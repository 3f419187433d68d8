import { expect } from '@playwright/test'
import { expectAccessible, join, newHousehold, planFigures, sideways, test } from './kitchen'

test('loose or in tins by a switch, and back and forward do what a browser’s do', async ({ page }) => {
  await page.goto('/pot')
  await expect(page.getByRole('heading', { name: 'Navy beans' })).toBeVisible()
  const pour = planFigures(page).water
  const poured = await pour.innerText()
  await page.getByRole('link', { name: 'In tins' }).click()
  await expect(page).toHaveURL(/\/pot\/tins$/)
  await expect(page.getByRole('button', { name: 'Work it out' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Work it out' })).toBeVisible()
  await page.goBack()
  await expect(page).toHaveURL(/\/pot$/)
  // Looking into the tins has changed nothing.
  await expect(pour).toHaveText(poured)
  await page.goForward()
  await expect(page.getByRole('button', { name: 'Work it out' })).toBeVisible()
  await page.getByRole('link', { name: 'Larder', exact: true }).click()
  await expect(page).toHaveURL(/\/larder$/)
  await page.goBack()
  await expect(page).toHaveURL(/\/pot\/tins$/)
})

test('the question takes an amount too', async ({ page }) => {
  const question = page.getByRole('combobox', { name: 'What goes in the pot?' })
  await page.goto('/')
  await expect(question).toBeFocused()
  await page.keyboard.type('2 cups chickpeas')
  await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('2 cup')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Chickpeas' })).toBeVisible()
  await expect(page.getByLabel('Dry amount')).toHaveValue('2')
  await expect(page.getByText('400 g', { exact: true })).toBeVisible()
  // A tap into an amount takes it whole.
  await page.getByLabel('Dry amount').click()
  await page.keyboard.type('3')
  await expect(page.getByLabel('Dry amount')).toHaveValue('3')
  for (const [asked, name, amount, grams] of [
    ['½ kg rajma', 'Red kidney beans', '0.5', '500 g'],
    ['3 eggs', 'Eggs in shell', '3', '171 g'],
    ['2 large beets', 'Whole beetroot 6 cm', '2', '380 g'],
  ] as const) {
    await page.goto('/')
    await question.fill(asked)
    await expect(page.getByRole('option', { name: new RegExp(name) })).toBeVisible()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { name })).toBeVisible()
    await expect(page.getByLabel('Dry amount')).toHaveValue(amount)
    await expect(page.getByText(grams, { exact: true })).toBeVisible()
  }
})

test('where nothing is yet, a try works, and the planned pot stays as it is', async ({ browser, baseURL }) => {
  const context = await browser.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } })
  const page = await context.newPage()
  await join(context.request, await newHousehold({ bare: true }))
  await page.goto('/log')
  await expect(page.getByRole('heading', { name: 'Nothing cooked yet' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Try it with the demo beans' }).click()
  await expect(page).toHaveURL(/\/practice$/)
  await expect(page.getByRole('heading', { name: 'Before you close it.' })).toBeVisible()
  await page.goto('/dishes')
  await expect(page.getByRole('heading', { name: 'No dish is saved yet' })).toBeVisible()
  await page.goto('/pot')
  await expect(page.getByText('No cooker in this kitchen yet')).toBeVisible()
  await context.close()
})

test('dishes are found, copied, made favourites, and taken off with a way back', async ({ page }) => {
  await page.goto('/dishes')
  await page.getByLabel('Name, or what is in it').fill('congee')
  const row = page.getByRole('button', { name: /^Ginger congee \d+ g/ })
  await expect(row).toBeVisible()
  await page.getByRole('button', { name: 'Copy Ginger congee' }).click()
  await expect(page.getByRole('button', { name: 'Copy Ginger congee', exact: true })).toBeVisible()
  await expect(page.getByRole('listitem')).toHaveCount(2)
  await page
    .getByRole('button', { name: /Remove Ginger congee.+ from the list/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('listitem')).toHaveCount(2)
})

for (const path of ['/', '/pot', '/pot/tins', '/dishes', '/larder', '/kitchen', '/kitchen?at=likes', '/log'])
  test(`nothing runs out of ${path} sideways, however wide the page`, async ({ page }) => {
    await page.setViewportSize({ width: 320, height: 800 })
    await page.goto(path)
    await expect(page.locator('main').locator('h1, h2, button').first()).toBeVisible()
    for (const width of [320, 640, 680, 1024, 1920]) {
      await page.setViewportSize({ width, height: 800 })
      await expect.poll(() => sideways(page), { message: `${width} px` }).toBe(0)
    }
  })

test('on a phone the places stand at the foot, large enough for a thumb', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/pot')
  const places = page.getByRole('navigation', { name: 'Places' }).getByRole('link')
  await expect(places).toHaveText(['Today', 'Pot', 'Dishes', 'Larder', 'Kitchen', 'Log'])
  for (const link of await places.all()) {
    const box = (await link.boundingBox())!
    expect(box.height).toBeGreaterThanOrEqual(44)
    expect(box.width).toBeGreaterThanOrEqual(44)
    expect(box.y + box.height).toBeGreaterThan(780)
  }
})

test('a page asks for each thing once, few in all, and what is long comes compressed', async ({ page }) => {
  const asked: string[] = []
  const encodings = new Map<string, string | undefined>()
  page.on('response', (response) => {
    const { pathname, search } = new URL(response.url())
    asked.push(pathname + search)
    encodings.set(pathname, response.headers()['content-encoding'])
  })
  // Somebody has just come in, and for three seconds that is news to whoever opens a page.
  await page.waitForTimeout(3500)
  await page.goto('/pot')
  await expect(page.getByRole('button', { name: 'Light it' })).toBeEnabled()
  await expect.poll(() => asked.filter((path) => path.startsWith('/api/changes'))).toHaveLength(1)
  await page.waitForTimeout(1500)
  const ofApi = asked.filter((path) => path.startsWith('/api/'))
  expect(ofApi.filter((path, i) => ofApi.indexOf(path) !== i)).toEqual([])
  expect(encodings.get('/api/documents/kitchen/own')).toBe('gzip')
  expect(asked.length).toBeLessThanOrEqual(50)
})
