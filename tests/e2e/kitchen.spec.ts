import { expect, type Page } from '@playwright/test'
import { choose, chosenIn, expectAccessible, test, watchForErrors } from './kitchen'

const kept = (page: Page) => page.getByRole('status').filter({ hasText: /^Kept$/ })
const thing = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}`) })

test('a kitchen is changed, kept, undone, and planned with', async ({ page }) => {
  const errors = watchForErrors(page)
  await page.goto('/kitchen')
  await expect(page.getByRole('heading', { name: 'Larkspur Terrace', level: 1 })).toBeVisible()

  // The altitude follows from the boiling point, and the other way round.
  await page.getByRole('button', { name: 'change', exact: true }).click()
  await page.getByLabel('Water boils at').fill('100')
  await expect(page.getByLabel('Altitude')).toHaveValue(/^-?\d$/)
  await expect(kept(page)).toBeVisible()
  await page.getByLabel('Altitude').fill('1450')
  await expect(page.getByLabel('Water boils at')).toHaveValue('95.1')
  await expect(page.getByLabel('Air pressure')).toHaveValue('851')
  await page.getByLabel('Air pressure').fill('1013')
  await expect(page.getByLabel('Altitude')).toHaveValue(/^\d$/)
  // In any unit that is typed with it.
  await page.getByLabel('Altitude').fill('4757 ft')
  await expect(page.getByLabel('Water boils at')).toHaveValue('95.1')
  await expect(kept(page)).toBeVisible()

  // A cooker from a generic one; put away, brought back by undo, and where it was after a reload.
  await page.getByRole('button', { name: 'Add a cooker that is like …' }).click()
  await page.getByRole('menuitem', { name: 'Whistling cooker, 7 L, steel', exact: true }).click()
  await page.getByRole('button', { name: 'Name, size, weight …' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Feast 7 L')
  await expect(kept(page)).toBeVisible()
  await expect(thing(page, 'Feast 7 L')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Feast 7 L' })).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { name: 'Where it stands' })).toBeVisible()
  await page.goForward()
  await expect(page.getByRole('heading', { name: 'Feast 7 L' })).toBeVisible()

  // It can be planned with, and its bowl measured with.
  await page.getByRole('button', { name: 'Add a cup or bowl' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Tin mug')
  await page.getByLabel('Holds').fill('330')
  await expect(kept(page)).toBeVisible()
  await page.getByRole('link', { name: 'Pot', exact: true }).click()
  await choose(page, 'Pot', 'Feast 7 L')
  await choose(page, 'Measured in', 'tin mug')
  await expect(page.getByText('564 g', { exact: true })).toBeVisible()
  await expect(page.getByRole('group', { name: /Feast 7 L, 7 L/ })).toBeVisible()

  // Put away, neither is offered any more; the pot that uses them stays as it was, and says so.
  await page.getByRole('link', { name: 'Kitchen', exact: true }).click()
  for (const name of ['Feast 7 L', 'Tin mug']) {
    await thing(page, name).click()
    await page.getByRole('button', { name: 'Put away', exact: true }).click()
    await expect(thing(page, name)).toHaveCount(0)
  }
  await expect(kept(page)).toBeVisible()
  await page.getByRole('link', { name: 'Pot', exact: true }).click()
  await expect(page.getByText('564 g', { exact: true })).toBeVisible()
  await expect(page.getByRole('group', { name: /Feast 7 L, 7 L/ })).toBeVisible()
  await expect(chosenIn(page, 'Measured in')).toHaveText('tin mug, put away')
  await expect(chosenIn(page, 'Pot')).toHaveText('Feast 7 L, put away')
  await choose(page, 'Pot', 'Blue 5 L')
  await expect(chosenIn(page, 'Pot')).toHaveText('Blue 5 L')
  await page.getByRole('link', { name: 'Kitchen', exact: true }).click()
  await page.getByRole('button', { name: 'Bring back Tin mug' }).click()
  await expect(thing(page, 'Tin mug')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(thing(page, 'Tin mug')).toHaveCount(0)
  expect(errors).toEqual([])
})

test('what cannot be is said where it stands, in its own unit, and nothing typed is lost', async ({ page }) => {
  await page.goto('/kitchen?at=place')
  await page.getByLabel('Altitude').fill('high up')
  await expect(page.getByText('Give a number here.')).toBeVisible()
  await page.getByLabel('Altitude').fill('90000')
  await expect(page.getByText('Give a figure from -450 to 5000 m')).toBeVisible()
  await expect(page.getByText(/Not kept yet: one figure cannot be/)).toBeVisible()
  await expect(page.getByLabel('Altitude')).toHaveValue('90000')
  await page.getByLabel('Altitude').fill('1450')
  await expect(kept(page)).toBeVisible()
  await thing(page, 'Blue 5 L').click()
  await page.getByRole('button', { name: 'Name, size, weight …' }).click()
  const shuts = page.getByLabel('Weight shuts at')
  await expect(shuts).toHaveValue('70')
  await shuts.fill('400')
  await expect(page.getByText('Give a figure from 1 to 300 kPa')).toBeVisible()
  await shuts.fill('10 psi')
  await expect(kept(page)).toBeVisible()
  await shuts.fill('70')
  await expect(kept(page)).toBeVisible()
})

test('figures are told and typed as the household likes, everywhere', async ({ page }) => {
  await page.goto('/kitchen?at=likes')
  for (const choice of ['°F', 'oz', 'psi', '6:30 pm', '1,5']) await page.getByText(choice, { exact: true }).click()
  await expect(kept(page)).toBeVisible()
  await expect(page.getByText(/203,\d °F/)).toBeVisible()
  await page.goto('/pot')
  const plan = page.getByRole('region', { name: 'The plan' })
  await expect(plan.locator('.great').first()).toHaveText(/^\d+,\d\s*oz$/)
  await expect(plan.getByText(/\d{1,2}:\d\d [ap]m/i).first()).toBeVisible()
  await page.getByLabel('Dry amount').fill('1,5')
  await expect(page.getByText('10,8 oz', { exact: true })).toBeVisible()
  await choose(page, 'Measured in', 'g')
  await page.getByLabel('Dry amount').fill('1.000')
  await expect(page.getByText('35,3 oz', { exact: true })).toBeVisible()
  await page.goto('/kitchen?at=0de70000-0000-4000-8000-000000000101')
  await page.getByRole('button', { name: 'Name, size, weight …' }).click()
  await expect(page.getByLabel('Weight opens at')).toHaveValue('14,5')
})

test('a household that never counts is asked for no whistles; one that always does keeps its count', async ({
  page,
}) => {
  const plan = page.getByRole('region', { name: 'The plan' })
  await page.goto('/kitchen?at=likes')
  await page.getByText('never count', { exact: true }).click()
  await expect(kept(page)).toBeVisible()
  await page.goto('/pot')
  await expect(plan).toContainText('After one whistle, on low')
  await page.goto('/kitchen?at=likes')
  await page.getByText('always count', { exact: true }).click()
  await expect(kept(page)).toBeVisible()
  await page.goto('/pot')
  await expect(plan).toContainText('On medium, count')
  await page.getByText('high', { exact: true }).click()
  await expect(plan).toContainText('On high, count')
  await expect(plan.getByText(/Counted, it would be/)).toBeHidden()
})

test('what a cook remembers of a pot calibrates it', async ({ page }) => {
  await page.goto('/kitchen?at=0de70000-0000-4000-8000-000000000101')
  await page.getByRole('button', { name: 'What I remember of it' }).click()
  await page.getByLabel('First whistle after').fill('14')
  await page.getByLabel('Then one every').fill('80')
  await page.getByRole('button', { name: 'Plan by that' }).click()
  await expect(page.getByText(/^by heart/)).toBeVisible()
  await expect(kept(page)).toBeVisible()
})

test('two devices do not overwrite each other', async ({ browser }) => {
  const [one, other] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()]
  await one.goto('/kitchen?at=place')
  await other.goto('/kitchen?at=place')
  await one.getByLabel('Room').fill('22')
  // What nobody else is changing is there by itself.
  await expect(other.getByLabel('Room')).toHaveValue('22')
  await other.context().setOffline(true)
  await other.getByLabel('Tap water').fill('12')
  await expect(other.getByText(/Not kept yet/)).toBeVisible()
  await one.getByLabel('Room').fill('23')
  await expect(kept(one)).toBeVisible()
  await other.context().setOffline(false)
  await expect(other.getByText(/changed on another device/)).toBeVisible()
  await other.getByRole('button', { name: 'Take what is there, drop mine' }).click()
  await expect(other.getByLabel('Room')).toHaveValue('23')
  await other.getByLabel('Room').fill('20')
  await expect(kept(other)).toBeVisible()
  await one.context().close()
  await other.context().close()
})

for (const scheme of ['light', 'dark'] as const)
  test(`axe finds nothing in the kitchen, ${scheme}, and it fits a phone`, async ({ browser }) => {
    const context = await browser.newContext({
      colorScheme: scheme,
      reducedMotion: 'reduce',
      viewport: { width: 390, height: 844 },
    })
    const page = await context.newPage()
    await page.goto('/kitchen')
    await expect(page.getByRole('heading', { name: 'Cookers' })).toBeVisible()
    await expectAccessible(page)
    expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(
      0,
    )
    await context.close()
  })
