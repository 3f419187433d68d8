import { expect, type Page } from '@playwright/test'
import { choose, test, watchForErrors } from './kitchen'

const TIN = { wide: '0de70000-0000-4000-8000-000000000401', middle: '0de70000-0000-4000-8000-000000000402' }

/** Adds a food to the stack, by asking for it. */
async function addFood(page: Page, asked: string) {
  const foods = page.locator('.foods > li')
  const before = await foods.count()
  await page.getByRole('button', { name: 'Add a food' }).click()
  // Nothing goes in unasked, and the cursor is where the question is.
  await expect(foods).toHaveCount(before)
  await expect(page.getByRole('combobox', { name: 'Which food goes in too?' })).toBeFocused()
  await page.keyboard.type(asked)
  await expect(page.getByRole('listbox').getByRole('option').first()).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(foods).toHaveCount(before + 1)
}
async function setFood(page: Page, index: number, query: string, amount: string, unit = 'g') {
  const row = page.locator('.foods > li').nth(index)
  const line = row.getByRole('button', { expanded: false }).first()
  if (await line.isVisible()) await line.click()
  await row.getByRole('combobox', { name: 'Food' }).fill(query)
  await page.getByRole('listbox').getByRole('option').first().click()
  await choose(row, 'Measured in', unit)
  await row.getByLabel('Amount').fill(amount)
}
/** The demo household's Sunday: red rice, split pigeon peas and beetroot. */
async function sunday(page: Page) {
  await page.goto('/pot/tins')
  await choose(page, 'Pot', 'Electric 6 L')
  await page.getByText('thick', { exact: true }).click()
  await setFood(page, 0, 'red rice', '140')
  await addFood(page, '130 g toor dal')
  await addFood(page, '400 g chukandar')
}
/** Carries by mouse from the middle of one thing to the middle of another. */
async function carry(page: Page, from: string, to: string, belowMiddlePx = 0) {
  await page.locator(from).scrollIntoViewIfNeeded()
  const middle = async (selector: string) => {
    const box = (await page.locator(selector).boundingBox())!
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  }
  const [start, end] = [await middle(from), await middle(to)]
  await page.mouse.move(start.x, start.y)
  await page.mouse.down()
  await page.mouse.move(end.x, end.y + belowMiddlePx, { steps: 5 })
  await page.mouse.up()
}
const plan = (page: Page) => page.getByRole('region', { name: 'The plan' })
const drawing = (page: Page) => page.getByRole('img', { name: /In the base:/ })

test('the three-tier Sunday is worked out, chosen among, kept, and cooked', async ({ page }) => {
  const errors = watchForErrors(page)
  await sunday(page)
  await page.getByRole('button', { name: 'Work it out' }).click()
  await expect(page.getByText(/The best of \d+ arrangements that fit/)).toBeVisible()
  const options = page.locator('.option')
  await expect.poll(() => options.count()).toBeGreaterThan(1)
  await expect(options.first()).toContainText('from below:')
  await expect(plan(page)).toContainText(/Set high pressure, \d+ min/)
  for (const food of ['Red rice (bran on)', 'Split pigeon peas', 'Whole beetroot 6 cm'])
    await expect(
      page.getByRole('img', { name: new RegExp(`^${food.replace(/[()]/g, '\\$&')}: \\d+ boil-minutes`) }),
    ).toBeVisible()
  await expect(page.getByText(/Lift out with tongs, from the top/)).toBeVisible()
  await expect(drawing(page)).toHaveAttribute('aria-label', /Tier 1, .* % when swollen/)

  const before = await drawing(page).getAttribute('aria-label')
  await options.nth(1).click()
  await expect.poll(() => drawing(page).getAttribute('aria-label')).not.toBe(before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(() => drawing(page).getAttribute('aria-label')).toBe(before)

  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await page.getByLabel('Its name').fill('Three-tier Sunday')
  await page.getByRole('button', { name: 'Save', exact: true }).last().click()
  await expect(page.getByRole('heading', { name: 'Three-tier Sunday' })).toBeVisible()
  await page.getByRole('link', { name: 'Today' }).click()
  await page
    .getByRole('button', { name: /^Three-tier Sunday/ })
    .first()
    .click()
  await expect(page).toHaveURL(/\/pot\/tins$/)
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page).toHaveURL(/\/cook\//)
  await expect(page.getByRole('heading', { name: 'Before you close it.' })).toBeVisible()
  expect(errors).toEqual([])
})

test('the same by hand: foods dragged into tins, a tin to another tier', async ({ page }) => {
  await sunday(page)
  await carry(page, '[data-food="2"]', '[data-base]')
  await expect(drawing(page)).toHaveAttribute('aria-label', /In the base: Whole beetroot/)
  await carry(page, `[data-shelf="${TIN.wide}"]`, '[data-tier="0"]')
  await expect(drawing(page)).toHaveAttribute('aria-label', /Tier 1, Wide low tin: empty/)
  await carry(page, '[data-food="0"]', `[data-tin="${TIN.wide}"]`)
  await expect(drawing(page)).toHaveAttribute('aria-label', /Tier 1, Wide low tin: Red rice/)
  await page.getByRole('button', { name: 'Put Middle tin in' }).click()
  await carry(page, '[data-food="1"]', `[data-tin="${TIN.middle}"]`)
  await expect(drawing(page)).toHaveAttribute('aria-label', /Tier 2, Middle tin: Split pigeon peas/)
  // Beetroot of 6 cm under a low trivet: said, and repaired by the tall stand.
  await expect(page.getByText(/The base reaches \d+ mm above the floor of the lowest tin/).first()).toBeVisible()
  await page.getByText('60 mm', { exact: true }).click()
  await expect(page.getByText(/The base reaches/)).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Start it' })).toBeEnabled()

  await carry(page, `[data-tin="${TIN.middle}"]`, `[data-tin="${TIN.wide}"]`, 4)
  await expect(drawing(page)).toHaveAttribute('aria-label', /Tier 1, Middle tin: Split pigeon peas/)
  // And by keyboard.
  await page.getByRole('button', { name: 'Middle tin one tier up' }).focus()
  await page.keyboard.press('Enter')
  await expect(drawing(page)).toHaveAttribute('aria-label', /Tier 2, Middle tin/)
  await page.getByRole('button', { name: 'Take Middle tin out' }).click()
  await expect(page.getByText('First choose a place for every food.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Start it' })).toBeDisabled()
})

test('an impossible stack says what comes closest and what would repair it', async ({ page }) => {
  await sunday(page)
  await choose(page, 'Pot', 'Old 3 L')
  await page.getByRole('button', { name: 'Work it out' }).click()
  await expect(page.getByText(/These tins cannot hold all of it|Nothing cooks all of it at once/)).toBeVisible()
  await expect(
    page.getByText(/It works if|It works with|cook it separately|No single change helps/).first(),
  ).toBeVisible()

  // By hand: too high, and refused with the reason.
  await page.getByRole('button', { name: 'Put Tall tin in' }).click()
  await page.getByRole('button', { name: 'Put Small tin in' }).click()
  await carry(page, '[data-food="0"]', '[data-tin="0de70000-0000-4000-8000-000000000403"]')
  await carry(page, '[data-food="1"]', '[data-tin="0de70000-0000-4000-8000-000000000404"]')
  await expect(page.getByText(/mm too wide|mm too high|too wide for what it stands on/).first()).toBeVisible()
  await expect(page.locator('button:enabled', { hasText: 'Light it' })).toHaveCount(0)
})

test('foods too far apart go in one after the other, each with its strip', async ({ page }) => {
  await page.goto('/pot/tins')
  await choose(page, 'Pot', 'Electric 6 L')
  await setFood(page, 0, 'kabuli', '150')
  await addFood(page, '150 g gajar')
  for (const box of await page.getByLabel('the soak may be changed').all()) await box.uncheck()
  await page.getByRole('button', { name: 'Work it out' }).click()
  await expect(
    page.getByText('Nothing cooks all of it at once. This comes closest; its cautions say what is wrong.'),
  ).toBeVisible()
  await expect(
    page.getByText(/First Chickpeas alone: \d+ min\. Open, add Carrot chunks 2 cm, and then \d+ min more\./),
  ).toBeVisible()
  await expect(page.getByText(/From the flame to the lid/)).toHaveCount(3)
  await expect(page.getByText(/Carrot chunks 2 cm: very soft when this is done/).first()).toBeVisible()

  // And that is how it is planned, kept, and started; undo puts it all in from the start again.
  await page.getByRole('button', { name: 'Cook it like this' }).click()
  // It is started twice: once before the carrots, once with them.
  const starts = plan(page).locator('[data-deed=light]')
  await expect(starts).toHaveCount(2)
  await expect(page.getByText(/Carrot chunks 2 cm: very soft when this is done/)).toHaveCount(0)
  await expect(page.getByText('Then, with Carrot chunks 2 cm in it')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(starts).toHaveCount(1)
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(starts).toHaveCount(2)
  await page.reload()
  await expect(starts).toHaveCount(2)
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByRole('heading', { name: 'Before you close it.' })).toBeVisible()
})

test('what else can go in is answered, and can be stopped', async ({ page }) => {
  await page.goto('/pot/tins')
  await choose(page, 'Pot', 'Electric 6 L')
  await page.getByText('thick', { exact: true }).click()
  await setFood(page, 0, 'toor', '150')
  await page.getByRole('button', { name: 'What else can go in with this?' }).click()
  await expect(page.getByText(/\d+ foods tried …/)).toBeVisible()
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByRole('button', { name: 'Work it out' })).toBeVisible()
  await page.getByRole('button', { name: 'What else can go in with this?' }).click()
  await expect(page.locator('.fits li').first()).toBeVisible({ timeout: 90_000 })
})
