import { expect, type Page } from '@playwright/test'
import {
  BLUE_POT,
  choose,
  chooseNth,
  ELECTRIC,
  event,
  expectAccessible,
  keepDish,
  litBefore,
  join,
  newHousehold,
  sideways,
  startRun,
  test,
} from './kitchen'

// Each place in each state that it can be in: on a phone, in light and in dark.
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

/** What is pressed, but in a sentence, and for which a finger has less room than it needs. */
const small = (page: Page) =>
  page.evaluate(() =>
    Array.from(
      document.querySelectorAll('a, button, input, summary, [role=slider], .v-field, .v-selection-control'),
    ).flatMap((part) => {
      const { width, height } = part.getBoundingClientRect()
      const { visibility, display } = getComputedStyle(part)
      // What is only read out, what its label is pressed for, and what stands in the middle of a sentence.
      if (
        width < 2 ||
        visibility === 'hidden' ||
        part.matches('input[type=radio], input[type=checkbox], input[type=file], .v-field input, .v-field textarea')
      )
        return []
      if (display === 'inline' && part.closest('p')) return []
      const name = part.getAttribute('aria-label') ?? part.textContent!.trim()
      return width < 43.5 || height < 43.5 ? [`${name || part.className} ${width.toFixed()}×${height.toFixed()}`] : []
    }),
  )

/** Nothing that axe knows is wrong, in light and dark, all that is pressed is large enough, and it fits the phone. */
async function expectSound(page: Page) {
  await page.emulateMedia({ colorScheme: 'light' })
  await expectAccessible(page)
  await page.emulateMedia({ colorScheme: 'dark' })
  await expectAccessible(page, 'colours')
  expect.soft(await small(page)).toEqual([])
  expect.soft(await sideways(page)).toBe(0)
}
const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click()

test('Pot, planned, unfolded, in several foods, and refused', async ({ page }) => {
  await page.goto('/pot')
  await expect(page.getByRole('button', { name: 'Light it' })).toBeEnabled()
  await expectSound(page)
  for (const name of [
    /why.*Pour .* of water/,
    /why.*off after whistle/,
    'Salt, soda, sour, old bag …?',
    'Forgot to soak?',
  ])
    await press(page, name)
  await press(page, 'What if I use other figures?')
  await press(page, /Add stock/)
  await press(page, 'Ready by …')
  await press(page, 'not done')
  await expect(page.getByRole('button', { name: /^overnight/ })).toBeVisible()
  await expectSound(page)
  await press(page, 'More')
  await expect(page.getByRole('menu')).toBeVisible()
  await expectSound(page)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'More', exact: true })).toBeFocused()
  await page.getByRole('combobox', { name: 'Food' }).click()
  await expect(page.getByRole('listbox')).toBeVisible()
  await expectSound(page)
  await page.keyboard.press('Escape')

  await press(page, 'Add a food to this pot')
  await page.keyboard.type('1 cup red rice')
  await expect(page.getByRole('listbox').getByRole('option').first()).toBeVisible()
  await expectSound(page)
  await page.keyboard.press('Enter')
  await expect(page.getByText('All of it can go in at the start.')).toBeVisible()
  await expectSound(page)

  await page.getByRole('textbox', { name: 'Dry amount' }).fill('30')
  await expect(page.getByText('Not possible').first()).toBeVisible()
  await expectSound(page)
})

test('In tins, empty and answered', async ({ page }) => {
  await page.goto('/pot/tins')
  await choose(page, 'Pot', 'Electric 6 L')
  await expect(page.getByRole('button', { name: 'Work it out' })).toBeVisible()
  await expectSound(page)
  await press(page, 'Add a food')
  await page.keyboard.type('200 g red rice')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Navy beans + Red rice' })).toBeVisible()
  // The plan of what has a place, while something has none.
  await chooseNth(page, 'Goes into', 1)
  const toPlace = page.getByText('First choose a place for every food.')
  await expect(toPlace).toBeVisible()
  await expectSound(page)
  await press(page, 'Work it out')
  await expect(page.getByText('These tins cannot hold all of it in this pot.')).toBeVisible({ timeout: 120_000 })
  await expectSound(page)
  await press(page, 'Do that')
  await expect(toPlace).toBeHidden({ timeout: 120_000 })
  await expect(page.getByRole('button', { name: 'Work it out' })).toBeVisible()
  await expectSound(page)
})

test('Today and Dishes, with nothing yet, with pots that are kept, and with one on the stove', async ({
  page,
  request,
}) => {
  for (const path of ['/', '/dishes']) {
    await page.goto(path)
    await expect(page.locator('main').locator('h1')).toBeVisible()
    await expectSound(page)
  }
  await page.goto('/pot')
  await press(page, 'Save')
  await page.getByLabel('Name of this pot').or(page.locator('.naming input')).first().fill('Sunday beans')
  await page.locator('.naming').getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Sunday beans').first()).toBeVisible()
  const { runId } = await startRun(request)
  await litBefore(request, runId)
  for (const path of ['/', '/dishes']) {
    await page.goto(path)
    await expect(page.getByText('Sunday beans')).toBeVisible()
    await expectSound(page)
  }
  await page.goto('/')
  await page.getByRole('combobox').first().fill('chana')
  await expectSound(page)
})

test('A dish, empty, being written, refused, for another number, and being cooked', async ({ page, request }) => {
  await page.goto('/dishes')
  await page.getByRole('link', { name: 'Import a recipe' }).click()
  await page.getByLabel('The recipe').fill('nothing at all')
  await press(page, 'Read it')
  await expect(page.getByRole('alert')).toBeVisible()
  await expectSound(page)
  await page
    .getByLabel('The recipe')
    .fill('Dal\n1 katori toor dal\n1 tsp almond extract\nRinse the dal.\nLet it sit a while.')
  await press(page, 'Read it')
  await expect(page.getByRole('group', { name: '1 katori toor dal' })).toBeVisible()
  await expectSound(page)
  await press(page, 'Back to the text')
  await page.getByRole('link', { name: 'All dishes' }).click()
  await press(page, 'Start a dish')
  await expectSound(page)
  await page.getByLabel('What is it called?').fill('Beans')
  await press(page, 'Start it')
  await expect(page.getByText('Nothing yet.')).toBeVisible()
  await expectSound(page)
  await page.getByLabel('Type or paste a line, or several').fill('200 g kidney beans\n1 tsp almond extract')
  await press(page, /^Add$/)
  await expect(page.getByText('Is it Almonds?')).toBeVisible()
  await press(page, 'Add a stage')
  await expectSound(page)
  await press(page, 'Simmer open')
  await chooseNth(page, 'goes into', 1)
  await expect(page.getByText(/would come out half-cooked/).first()).toBeVisible()
  await expectSound(page)

  const id = await keepDish(request)
  await page.goto(`/dishes/${id}`)
  await expect(page.getByText(/whistle/).first()).toBeVisible()
  await expectSound(page)
  await press(page, 'Change close and cook')
  await press(page, 'how it adds up')
  await press(page, 'More about oil')
  await press(page, 'What can replace it?')
  await expect(page.getByRole('button', { name: /^Take / }).first()).toBeVisible()
  await expectSound(page)
  await press(page, 'For one more')
  await expect(page.getByText('For 5 instead of 4')).toBeVisible()
  await expectSound(page)
  for (const width of [320, 680, 1024, 1280, 1920]) {
    await page.setViewportSize({ width, height: 800 })
    await expect.poll(() => sideways(page), { message: `${width}` }).toBe(0)
  }
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`/dishes/${id}/cook`)
  await expect(page.getByRole('heading', { name: 'Soak' })).toBeVisible()
  await press(page, /Start the timer/)
  await expectSound(page)
  for (let i = 0; i < 6; i++) await press(page, 'Done, next')
  await expect(page.getByRole('heading', { name: 'It is done.' })).toBeVisible()
  await expectSound(page)
})

test('Larder, found, not found, and a food', async ({ page }) => {
  await page.goto('/larder')
  await expect(page.getByText(/in all/).first()).toBeVisible()
  await expectSound(page)
  await page.getByLabel('Any name, in any language').fill('unicorn')
  await expect(page.getByRole('button', { name: 'Show all' })).toBeVisible()
  await expectSound(page)
  await page.goto('/larder/chickpea-white')
  await expect(page.getByRole('button', { name: 'Plan a pot' })).toBeVisible()
  await expectSound(page)
})

test('Kitchen and its panels', async ({ page }) => {
  await page.goto('/kitchen')
  await press(page, 'Add a cooker like …')
  await expectSound(page)
  await page.keyboard.press('Escape')
  for (const name of ['Blue 5 L', 'Strong', 'Tall tin', 'Our bowl']) {
    await page.goto('/kitchen')
    await page.getByRole('button', { name: new RegExp(`^${name}`) }).click()
    await expect(page.getByRole('heading', { name })).toBeVisible()
    await expectSound(page)
  }
  for (const at of [
    '/kitchen?at=place',
    '/kitchen?at=likes',
    `/kitchen/test/${BLUE_POT}`,
    `/kitchen/program/${ELECTRIC}`,
  ]) {
    await page.goto(at)
    await expect(page.locator('main').getByRole('heading').first()).toBeVisible()
    await expectSound(page)
  }
})

test('Cook, with nothing on, before, lit, asked about, and over', async ({ page, request }) => {
  await page.goto('/cook')
  await expect(page.locator('main h1')).toBeVisible()
  await expectSound(page)
  const { runId } = await startRun(request)
  await page.goto(`/cook/${runId}`)
  await expect(page.getByRole('heading', { name: 'Before you close it.' })).toBeVisible()
  await expectSound(page)
  await litBefore(request, runId, 60)
  await expect(page.getByRole('heading', { name: 'Before you close it.' })).toBeHidden()
  await expectSound(page)
  await press(page, 'Other …')
  await expectSound(page)
  await page.getByRole('menuitem', { name: 'Stop this pot' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await expectSound(page)
  await press(page, 'Stop this pot')
  await expect(page.getByRole('heading', { name: 'You stopped this pot.' })).toBeVisible()
  await expectSound(page)
  await request.post(`/api/runs/${runId}/events`, { data: event({ kind: 'opened' }) })
  await page.goto('/log')
  await expect(page.getByText('Beans for a test')).toBeVisible()
  await expectSound(page)
  await page.goto(`/log/${runId}`)
  await expect(page.getByRole('heading', { name: 'Beans for a test' })).toBeVisible()
  await expectSound(page)
  await press(page, 'Rename')
  await page.getByLabel('Name of this pot').fill('Sunday beans')
  await expectSound(page)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Sunday beans' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Rename' })).toBeFocused()
})

test('Log and Practice with nothing yet, a page that is none, the two dialogs, and a household with nothing', async ({
  browser,
  baseURL,
  page,
}) => {
  for (const path of ['/log', '/practice', '/nowhere']) {
    await page.goto(path)
    await expect(page.locator('h1, h2, button').first()).toBeVisible()
    await expectSound(page)
  }
  for (const key of ['?', '/']) {
    await page.goto('/dishes')
    await expect(page.locator('main h1')).toBeVisible()
    await page.keyboard.press(key)
    await expect(page.getByRole('dialog')).toBeVisible()
    await expectSound(page)
    await page.keyboard.press('Escape')
  }
  const bare = await browser.newContext({ baseURL: baseURL!, viewport: page.viewportSize(), hasTouch: true })
  const empty = await bare.newPage()
  await join(bare.request, await newHousehold({ bare: true }))
  for (const path of ['/', '/pot', '/pot/tins', '/dishes', '/larder', '/kitchen', '/log', '/cook']) {
    await empty.goto(path)
    await expect(empty.locator('main').locator('h1, h2').first()).toBeVisible()
    await expectSound(empty)
  }
  await bare.close()
})
