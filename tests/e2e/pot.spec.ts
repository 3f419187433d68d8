import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { choose, expectAccessible, planFigures, test, watchForErrors } from './kitchen'

const planOf = (page: Page) => page.getByRole('region', { name: 'The plan' })
const figures = (page: Page) => planFigures(page).both()
/** Adds a food by asking for it with its amount; nothing goes in unasked. */
async function addRedRice(page: Page) {
  await page.getByRole('button', { name: 'Add a food to this pot' }).click()
  await expect(page.getByRole('combobox', { name: 'Which food goes in too?' })).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Add a food to this pot' })).toBeFocused()
  await page.keyboard.press('Enter')
  await page.keyboard.type('1 cup red rice')
  await expect(page.getByRole('option', { name: /Red rice/ })).toContainText('1 cup')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /Remove Red rice/ })).toBeVisible()
}
test.beforeEach(async ({ page }) => {
  await page.goto('/pot')
  await planFigures(page).ready()
})

test('two foods share a pot, in measures of the kitchen, and an impossible pair is told apart', async ({ page }) => {
  const errors = watchForErrors(page)
  const before = await figures(page)
  await addRedRice(page)
  await expect(page.getByText('All of it can go in at the start.')).toBeVisible()
  await page.getByRole('button', { name: 'What if I use other figures?' }).click()
  await page.getByRole('button', { name: 'not done' }).click()
  await expectAccessible(page)
  await expect(page.getByRole('img', { name: /Red rice \(bran on\): \d+ boil-minutes/ })).toBeVisible()
  await expect.poll(async () => (await figures(page)).water).toBeGreaterThan(before.water)
  await page.getByLabel('Dry amount').fill('1½')
  await choose(page, 'Measured in', 'our bowl')
  await expect(page.getByText('178 g', { exact: true })).toBeVisible()

  // Something that is mush long before the beans are done goes in later, or not at all.
  await page.getByRole('combobox', { name: 'Food' }).fill('gajar')
  await page.getByRole('option', { name: /Carrot chunks/ }).click()
  await expect(page.getByText(/very soft when this is done/).first()).toBeVisible()
  await expect(page.getByText(/^(First Navy beans alone|Carrot chunks .* cannot go into this pot)/)).toBeVisible()

  await page.getByRole('button', { name: /Remove Carrot chunks/ }).click()
  await expect.poll(() => figures(page)).toEqual(before)
  expect(errors).toEqual([])
})

test('every change can be undone and redone, by button and by key', async ({ page }) => {
  await page.getByLabel('Dry amount').fill('3')
  await expect(page.getByText('615 g', { exact: true })).toBeVisible()
  await page.waitForTimeout(500)
  await page.getByText('mashed', { exact: true }).click()
  await page.waitForTimeout(500)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('radio', { name: 'tender' })).toBeChecked()
  await expect(page.getByLabel('Dry amount')).toHaveValue('3')
  await page.getByRole('heading', { name: 'Navy beans' }).click()
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Dry amount')).toHaveValue('2')
  await page.keyboard.press('Control+Shift+z')
  await expect(page.getByLabel('Dry amount')).toHaveValue('3')
})

test('what if: by dragging, by keys, and typed in cups', async ({ page }) => {
  const before = await figures(page)
  const line = page.getByRole('slider', { name: /Drag the water line/ })
  const box = (await line.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 14, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByText(`instead of ${before.water} g`)).toBeVisible()
  await expect.poll(async () => (await figures(page)).water).toBeGreaterThan(before.water + 50)
  await expect(page.getByText(/Navy beans \w+; comes out (spoonable|pourable)/)).toBeVisible()

  await line.focus()
  await page.keyboard.press('Escape')
  await expect.poll(() => figures(page)).toEqual(before)
  await page.keyboard.press('ArrowDown')
  await expect.poll(async () => (await figures(page)).water).toBeLessThan(before.water)
  await page.getByRole('button', { name: 'Back to the plan' }).click()

  const strip = page.getByRole('slider', { name: 'Drag to try more or fewer whistles' })
  await strip.focus()
  // They are planned with a margin: it takes more than one whistle less to fall short.
  for (let i = 1; i < before.figure; i++) await page.keyboard.press('ArrowLeft')
  await expect.poll(async () => (await figures(page)).figure).toBe(1)
  // Too few for beans that are poisonous half-cooked: said, and not to be lit.
  await expect(page.getByText(/would come out half-cooked/).first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Light it' })).toBeDisabled()
  await page.keyboard.press('Escape')
  await expect.poll(() => figures(page)).toEqual(before)

  await page.getByRole('button', { name: 'What if I use other figures?' }).click()
  await page.getByLabel('Water', { exact: true }).fill('2')
  await expect.poll(async () => (await figures(page)).water).toBe(480)
  await page.getByLabel('Water', { exact: true }).fill('1/4')
  await page.getByRole('textbox', { name: 'Whistles' }).fill('30')
  await expect(page.getByText(/boils dry after \d+ minutes/).first()).toBeVisible()
  // Any other change ends what was tried.
  await page.getByLabel('Dry amount').fill('1')
  await expect(page.getByText(/boils dry/).first()).toBeHidden()
  await expect(page.getByRole('button', { name: 'Light it' })).toBeEnabled()
})

test('the strip is read at any moment', async ({ page }) => {
  const strip = page.getByRole('slider', { name: 'Look at any moment of it' })
  await strip.hover({ position: { x: 260, y: 90 } })
  await expect(page.getByText(/at \d\d:\d\d · \d+ °C · \d+ kPa · Navy beans \d+ boil-minutes/)).toBeVisible()
  await page.mouse.move(0, 0)
  await expect(page.getByText(/From the flame to the lid/)).toBeVisible()
  await strip.focus()
  await page.keyboard.press('End')
  await expect(strip).toHaveAttribute('aria-valuetext', /Navy beans \d\d+ boil-minutes/)
})

test('the same in every cooker, one tap to switch', async ({ page }) => {
  const table = page.getByRole('table').filter({ hasText: 'Open after' })
  await expect(table.getByRole('button', { name: 'Use Blue 5 L, count whistles' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(table).toContainText('Electric 6 L')
  await table.getByRole('button', { name: 'Use Electric 6 L, by the device' }).click()
  await expect(planOf(page)).toContainText(/Set high pressure, \d+ min/)
  await expect(table.getByRole('button', { name: 'Use Electric 6 L, by the device' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
})

test('not done, too thin, too thick: each has its remedy', async ({ page }) => {
  await page.getByRole('button', { name: 'not done' }).click()
  const answer = page.getByRole('status').filter({ hasText: /Close it again: \d+ whistles? more/ })
  await expect(answer).toBeVisible()
  const more = async () => Number((await answer.innerText()).match(/(\d+) whistle/)![1])
  const firm = await more()
  await page.getByText('still hard', { exact: true }).click()
  await expect.poll(more).toBeGreaterThan(firm)
  await page.getByRole('button', { name: 'too thin' }).click()
  await expect(page.getByText(/Simmer open on high for/)).toBeVisible()
  await page.getByRole('button', { name: 'too thick' }).click()
  await expect(page.getByText(/Stir in \d+ g of boiling water/)).toBeVisible()
})

test('a pot is kept, starred, changed, copied and opened by its link on another device', async ({ page, browser }) => {
  await page.getByLabel('Dry amount').fill('2.5')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await page.getByLabel('Its name').fill('Beans for the test')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save', exact: true }).last().click()
  await expect(page.getByText('Beans for the test is saved.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Beans for the test' })).toBeVisible()
  await page.getByRole('button', { name: 'Favourite' }).click()
  await expect(page.getByRole('button', { name: 'Favourite' })).toHaveAttribute('aria-pressed', 'true')

  await page.getByText('mashed', { exact: true }).click()
  await page.getByRole('button', { name: 'Save the change' }).click()
  await expect(page.getByRole('button', { name: 'Saved', exact: true })).toBeDisabled()

  // The link opens it for whoever is of the household.
  const id = await page.evaluate(() => JSON.parse(localStorage.getItem('bivvet-pot-2')!).keptId as string)
  const other = await (await browser.newContext()).newPage()
  await other.goto(`/pot/${id}`)
  await expect(other.getByRole('heading', { name: 'Beans for the test' })).toBeVisible()
  await expect(other.getByRole('radio', { name: 'mashed' })).toBeChecked()
  await expect(other.getByLabel('Dry amount')).toHaveValue('2.5')

  // Changed on both: the second is told, and keeps its own under another name.
  await other.locator('form').getByText('tender', { exact: true }).click()
  await other.getByRole('button', { name: 'Save the change' }).click()
  await expect(other.getByRole('button', { name: 'Saved', exact: true })).toBeVisible()
  await page.locator('form').getByText('creamy', { exact: true }).click()
  await page.getByRole('button', { name: 'Save the change' }).click()
  await expect(page.getByText(/changed on another device meanwhile/)).toBeVisible()
  await page.getByRole('button', { name: 'Make a copy' }).click()
  await expect(page.getByLabel('Its name')).toHaveValue('Beans for the test, another way')
  await page.getByRole('button', { name: 'Save', exact: true }).last().click()
  await expect(page.getByText('Beans for the test, another way is saved.')).toBeVisible()

  await page.getByRole('link', { name: 'Today' }).click()
  await expect(page.getByRole('button', { name: /^Beans for the test [\d,]+ g navy beans/ })).toBeVisible()
  await page.getByRole('button', { name: 'Remove Beans for the test, another way from the list' }).click()
  await expect(page.getByText('Beans for the test, another way was removed from the list.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: /^Beans for the test, another way/ })).toBeVisible()
  await other.context().close()

  await page.goto('/pot/0de70000-0000-4000-8000-0000000000ee')
  await expect(page.getByText('There is no such pot in this household.')).toBeVisible()
})

test('a pot goes out as a file and comes back, and what is no pot is said to be so', async ({ page }) => {
  await page.getByLabel('Dry amount').fill('1.75')
  await page.getByRole('button', { name: 'More', exact: true }).click()
  const download = page.waitForEvent('download')
  await page.getByText('Save as a file').click()
  const file = await (await download).path()
  const saved = JSON.parse(readFileSync(file, 'utf8')) as { format: string; pot: { items: { amount: string }[] } }
  expect(saved.format).toBe('bivvet-pot')
  expect(saved.pot.items[0]!.amount).toBe('1.75')

  await page.getByLabel('Dry amount').fill('4')
  const input = page.locator('input[type=file]')
  const give = (text: string) =>
    input.setInputFiles({ name: 'a.pot.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await give('not json at all')
  await expect(page.getByText('This file cannot be read: it is not JSON.')).toBeVisible()
  await give('{"format":"bivvet-pot","version":1}')
  await expect(page.getByText('This file is not a pot.')).toBeVisible()
  await give('{"format":"bivvet-pot","version":7}')
  await expect(page.getByText(/from a newer version/)).toBeVisible()
  await give(JSON.stringify(saved).replaceAll('navy-bean', 'moon-bean'))
  await expect(page.getByText(/This pot has a food that is not known here/)).toBeVisible()
  await expect(page.getByLabel('Dry amount')).toHaveValue('4')

  await give(JSON.stringify(saved))
  await expect(page.getByLabel('Dry amount')).toHaveValue('1.75')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Dry amount')).toHaveValue('4')
})

test('it prints on one page, with what a cook needs', async ({ page }) => {
  await addRedRice(page)
  await page.emulateMedia({ media: 'print' })
  const sheet = page.getByRole('article')
  await expect(sheet).toContainText(/Pour [\d,]+ g of water into/)
  await expect(sheet).toContainText(/off after whistle \d/)
  await expect(sheet).toContainText('Red rice (bran on)')
  await expect(page.getByRole('navigation')).toBeHidden()
  const pdf = await page.pdf({ format: 'A4' })
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1)
})

test('a soak is begun, seen on the day, and cooked with what it had', async ({ page }) => {
  await page.getByRole('button', { name: 'Start soaking now' }).click()
  await expect(page.getByText(/Soaking since/)).toBeVisible()
  await page.getByRole('link', { name: 'Today' }).click()
  const soaking = page.getByRole('button', { name: /Navy beans ready at \d\d:\d\d, in (7 h 59|8 h)/ })
  await expect(soaking.first()).toBeVisible()
  await soaking.first().click()
  await page.getByRole('button', { name: 'Cook with what has soaked so far' }).click()
  await expect(page.getByLabel('Soaked, hours')).toHaveValue('0')
})
