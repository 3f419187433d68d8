import { expect, type Locator } from '@playwright/test'
import { choose, expectAccessible, planFigures, test, watchForErrors, litBefore } from './kitchen'
import { installClock, PotBeside } from './stove'

test('from opening the app to a logged verdict', async ({ page, browser }) => {
  const errors = watchForErrors(page)
  await installClock(page)
  await page.goto('/')

  // Two inputs give a full plan.
  await page.getByRole('combobox', { name: 'What goes in the pot?' }).fill('lobia')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/pot$/)
  await page.getByLabel('Dry amount').fill('1.5')
  await expect(page.getByRole('heading', { name: 'Black-eyed peas' })).toBeVisible()
  const plan = page.getByRole('region', { name: 'The plan' })
  await expect(plan).toContainText(/Pour [\d,]+ g of water into/)
  await expect(plan).toContainText('falls by itself')
  const { both } = planFigures(page)
  const { figure: whistles } = await both()
  expect(whistles).toBeGreaterThan(0)

  // The sum unfolds and adds up.
  await plan.getByRole('button', { name: /why.*Pour .* of water/ }).click()
  const rows = await page.getByRole('table', { name: 'How the water adds up' }).getByRole('row').allInnerTexts()
  const grams = rows.map((row) =>
    Number(
      row
        .split('\t')[1]!
        .replace('−', '-')
        .replace(/[^\d-]/g, ''),
    ),
  )
  expect(grams.slice(0, -1).reduce((sum, g) => sum + g, 0)).toBe(grams.at(-1))

  // A different flame is a different count, at once.
  await page.getByText('high', { exact: true }).click()
  // On high they come too quick to count: a lower flame is taken, and the count is one press away.
  await expect(plan).toContainText(/High until it whistles once.*Then (medium|low), off after whistle/s)
  await expect(plan).toContainText(/That would be \d+ whistles/)
  await plan.getByRole('button', { name: 'Count anyway' }).click()
  await expect(plan).toContainText(/On high, off after whistle \d/)
  expect((await both()).figure).not.toBe(whistles)
  await plan.getByRole('button', { name: 'Cook without counting' }).click()
  await expect(plan).toContainText(/High until it whistles once/)
  await plan.getByRole('button', { name: 'Count anyway' }).click()
  await page.getByText('medium', { exact: true }).click()
  await expect.poll(async () => (await both()).figure).toBe(whistles)

  await page.getByRole('button', { name: 'Light it' }).click()
  await expect(page.getByRole('heading', { name: 'Before you close it.' })).toBeVisible()
  const pot = await PotBeside.light(page)
  await expect(page.getByRole('heading', { name: /first whistle/ })).toBeVisible()

  // By space bar, by the button, and one too many taken back.
  const count = page.locator('.great')
  await pot.whistle(2)
  await expect(count).toHaveText(/^2\s*of/)
  await page.getByRole('button', { name: 'Count a whistle' }).click()
  await expect(count).toHaveText(/^3\s*of/)
  await page.keyboard.press('u')
  await expect(count).toHaveText(/^2\s*of/)
  await pot.whistle(whistles)
  await expect(page.getByRole('heading', { name: 'Turn the heat off now.' })).toBeVisible()

  // A reload and a second browser stand at the same point.
  await page.reload()
  await expect(count).toHaveText(new RegExp(`^${whistles}\\s*of`))
  const other = await (await browser.newContext()).newPage()
  await installClock(other, pot.minute)
  await other.goto(page.url())
  await expect(other.locator('.great')).toHaveText(new RegExp(`^${whistles}\\s*of`))

  await page.getByRole('button', { name: 'Heat is off' }).click()
  pot.heatOff()
  await expect(page.getByRole('heading', { name: 'Leave it shut.' })).toBeVisible()
  await expect(other.getByRole('heading', { name: 'Leave it shut.' })).toBeVisible()
  await other.context().close()
  await pot.open()

  await page.getByText('a bit soft').click()
  await page.getByText('right', { exact: true }).last().click()
  await expect(page.getByText('Saved.')).toBeVisible()
  await page.getByLabel('Note for next time').fill('Lovely with lime.')
  await page.getByRole('button', { name: 'Save the note' }).click()
  await expect(page.getByRole('button', { name: 'Save the note' })).toBeHidden()

  // What is left of it goes into the fridge, and stands in the Larder.
  await page.getByRole('textbox', { name: 'Portions' }).fill('2')
  await page.getByRole('button', { name: 'Put it away' }).click()
  await expect(page.getByText('Black-eyed peas is put away, with its day')).toBeVisible()

  await page.getByRole('link', { name: 'Log', exact: true }).click()
  const entry = page.getByRole('link', { name: /Black-eyed peas/ }).first()
  await expect(entry).toContainText(`${whistles} whistles`)
  await expect(entry).toContainText('a bit soft')
  await expect(entry).toContainText('Lovely with lime.')
  await entry.click()
  await expect(page.getByText('drops: outlined planned, filled happened')).toBeVisible()
  await expect(page.getByText(/2 portions kept in the fridge/)).toBeVisible()
  await page.goto('/larder')
  await expect(page.getByRole('listitem').filter({ hasText: 'Black-eyed peas' }).first()).toContainText('in the fridge')
  expect(errors).toEqual([])
})

test('what changes a pot changes its figures at once', async ({ page }) => {
  await page.goto('/pot')
  const plan = page.getByRole('region', { name: 'The plan' })
  const { ready, water: poured, counted } = planFigures(page)
  const figures = async () => {
    // Nothing stands there while what was typed cannot be.
    const read = async (of: Locator) =>
      parseInt(((await of.count()) > 0 ? await of.innerText() : '').replace(/\D/g, ''))
    return { water: await read(poured), whistles: await read(counted) }
  }
  await ready()
  const before = await figures()
  const whistles = async () => (await figures()).whistles
  const water = async () => (await figures()).water

  await page.getByRole('button', { name: 'Salt, soda, sour, old bag …?' }).click()
  // Something sour keeps beans hard; the caution says so, and the count goes up.
  await page.getByText('sour', { exact: true }).click()
  await expect(page.getByText(/Add the sour things after/).first()).toBeVisible()
  await expect.poll(whistles).toBeGreaterThan(before.whistles)
  await page.getByText('sour', { exact: true }).click()
  await expect.poll(figures).toEqual(before)

  // Tomato brings liquid: less water to pour.
  await page.getByRole('button', { name: /Add stock/ }).click()
  await expect(page.getByText('brings 120 g')).toBeVisible()
  await expect.poll(water).toBeLessThan(before.water)
  await page.getByLabel('Its amount').fill('lots')
  await expect(page.getByText('Give a number here.').first()).toBeVisible()
  await page.getByRole('button', { name: 'Remove it' }).click()
  await expect.poll(figures).toEqual(before)

  // Forgot to soak: what it costs, and a tap to accept it.
  await page.getByRole('button', { name: 'Forgot to soak?' }).click()
  await page.getByRole('button', { name: /^no soak/ }).click()
  await expect.poll(whistles).toBeGreaterThan(before.whistles)
  await expect(page.getByText(/Soak Navy beans for at least 5 hours/).first()).toBeVisible()
  await page.getByRole('button', { name: /^overnight/ }).click()
  await expect(page.getByLabel('Soaked, hours')).toHaveValue('9')
  await page.getByLabel('Soaked, hours').fill('8')
  await expect.poll(figures).toEqual(before)

  // The common ratios beside the computed one.
  await plan.getByRole('button', { name: /why.*Pour .* of water/ }).click()
  await expect(page.getByRole('columnheader', { name: '2 to 1' })).toBeVisible()
})

for (const [cooker, style, food] of [
  ['Blue 5 L', 'By the clock', null],
  ['Blue 5 L', 'Two, then low', null],
  ['Rice cooker 1 L', null, 'basmati'],
] as const)
  test(`${cooker}${style ? `, ${style.toLowerCase()},` : ''} is planned and run to its verdict`, async ({ page }) => {
    await installClock(page)
    await page.goto('/pot')
    if (food) {
      await page.getByRole('combobox', { name: 'Food' }).fill(food)
      await page.getByRole('listbox').getByRole('option').first().click()
      await page.getByLabel('Dry amount').fill('0.75')
    }
    await choose(page, 'Pot', cooker)
    if (style) await page.getByText(style, { exact: true }).first().click()
    await page.getByRole('button', { name: /^(Light|Start) it$/ }).click()
    // Presses whatever is asked for, or lets the time go by, until the pot is open.
    for (let i = 0; i < 120; i++) {
      if (await page.getByRole('heading', { name: 'How did it come out?' }).isVisible()) break
      const press = page.locator('.main-press')
      // What it asks for may change between the look and the press.
      if ((await press.isVisible()) && (await press.isEnabled())) await press.click({ timeout: 3000 }).catch(() => {})
      else await page.clock.fastForward('01:00')
      // By the sum it is too cold to whistle yet.
      if (await page.getByRole('button', { name: 'It did whistle' }).isVisible()) await page.clock.fastForward('03:00')
      await page.clock.runFor(600)
    }
    await expect(page.getByRole('heading', { name: 'How did it come out?' })).toBeVisible()
    await page.getByText('right', { exact: true }).first().click()
    await page.getByText('right', { exact: true }).last().click()
    await expect(page.getByText('Saved.')).toBeVisible()
  })

test('the electric cooker, with its valve', async ({ page }) => {
  await page.goto('/pot')
  await choose(page, 'Pot', 'Electric 6 L')
  const plan = page.getByRole('region', { name: 'The plan' })
  await expect(plan).toContainText(/Set high pressure, \d+ min/)
  await expect(plan).toContainText('Open the valve')
  await page.getByRole('button', { name: 'Start it' }).click()
  await page.getByRole('button', { name: 'All four are fine' }).click()
  await page.getByRole('button', { name: 'It is on' }).click()
  await page.getByRole('button', { name: 'The pin is up' }).click()
  await expect(page.getByRole('heading', { name: /cooks at pressure/ })).toBeVisible()
  await expect(page.getByRole('timer')).toBeVisible()
  await page.getByRole('button', { name: 'Other …' }).click()
  await page.getByText('Heat off now', { exact: true }).click()
  await expect(page.getByText(/Let it fall by itself until/)).toBeVisible()
})

test('axe finds nothing on the three screens, light and dark', async ({ page }) => {
  const sound = async () => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    await expectAccessible(page)
    await page.emulateMedia({ colorScheme: 'dark' })
    await expectAccessible(page, 'colours')
  }
  await page.goto('/pot')
  await page.getByRole('button', { name: /why.*Pour .* of water/ }).click()
  await sound()
  await page.getByRole('button', { name: 'Light it' }).click()
  await page.getByRole('button', { name: 'All four are fine' }).click()
  await page.getByRole('button', { name: 'It is lit' }).click()
  await expect(page.getByRole('button', { name: 'Count a whistle' })).toBeVisible()
  await sound()
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Log' })).toBeVisible()
  await sound()
})

test('fits a phone', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  const page = await context.newPage()
  const overflow = () =>
    page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
  await page.goto('/pot')
  await expect(page.getByRole('button', { name: 'Light it' })).toBeVisible()
  expect(await overflow()).toBe(0)
  await page.getByRole('button', { name: 'Light it' }).click()
  await page.getByRole('button', { name: 'All four are fine' }).click()
  await page.getByRole('button', { name: 'It is lit' }).click()
  await litBefore(page.request, page.url().split('/').at(-1)!)
  await expect(async () => {
    await page.locator('.great').tap()
    await expect(page.locator('.great')).toHaveText(/^1\s*of/, { timeout: 1500 })
  }).toPass()
  await expect(page.locator('.great')).toHaveText(/^1\s*of/)
  expect(await overflow()).toBe(0)
  await page.goto('/log')
  await expect(page.getByRole('heading', { name: 'Log' })).toBeVisible()
  expect(await overflow()).toBe(0)
  await context.close()
})
