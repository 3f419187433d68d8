import { expect } from '@playwright/test'
import { choose, expectAccessible, test, watchForErrors } from './kitchen'

test('a kitchen is changed, kept, undone, and planned with', async ({ page }) => {
  const errors = watchForErrors(page)
  await page.goto('/kitchen')
  await expect(page.getByRole('heading', { name: 'Kitchen', level: 1 })).toBeVisible()
  const kept = page.getByRole('status').filter({ hasText: /^Kept$/ })

  // The altitude follows from the boiling point, and the other way round.
  await page.getByLabel('Water boils at').fill('100')
  await expect(page.getByLabel('Altitude')).toHaveValue(/^-?\d$/)
  await expect(kept).toBeVisible()
  await page.getByLabel('Altitude').fill('1450')
  await expect(page.getByLabel('Water boils at')).toHaveValue('95.1')
  await expect(page.getByLabel('Air pressure')).toHaveValue('851')
  await page.getByLabel('Air pressure').fill('1013')
  await expect(page.getByLabel('Altitude')).toHaveValue(/^\d$/)
  await page.getByLabel('Altitude').fill('1450')
  await expect(page.getByLabel('Water boils at')).toHaveValue('95.1')
  await page.waitForTimeout(50)
  await expect(page.getByLabel('Altitude')).toHaveValue('1450')
  await expect(kept).toBeVisible()

  // A cooker from a generic one; taken out, brought back by undo.
  const names = page.getByRole('group').getByLabel('Name')
  const before = await names.count()
  await page.getByLabel('Add a cooker that is like …').click()
  await page.getByRole('option', { name: 'Whistling cooker, 7 L, steel', exact: true }).click()
  await expect(names).toHaveCount(before + 1)
  await names.last().fill('Feast 7 L')
  await expect(kept).toBeVisible()
  await page.getByRole('button', { name: 'Take out Feast 7 L' }).click()
  await expect(names).toHaveCount(before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(names).toHaveCount(before + 1)
  await expect(kept).toBeVisible()
  await page.reload()
  await expect(names.last()).toHaveValue('Feast 7 L')

  // It can be planned with, and its bowl measured with.
  await page.getByRole('button', { name: 'Add a cup or bowl' }).click()
  const cups = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Cups and bowls' }) })
  await cups.getByLabel('Name').last().fill('Tin mug')
  await cups.getByLabel('Holds').last().fill('330')
  await expect(kept).toBeVisible()
  await page.getByRole('link', { name: 'Pot', exact: true }).click()
  await choose(page, 'Pot', 'Feast 7 L')
  await choose(page, 'Measured in', 'tin mug')
  await expect(page.getByText('564 g', { exact: true })).toBeVisible()
  await expect(page.getByRole('group', { name: /Feast 7 L, 7 L/ })).toBeVisible()

  // Left as it was found, for the tests that follow.
  await page.getByRole('link', { name: 'Kitchen', exact: true }).click()
  await page.getByRole('button', { name: 'Take out Feast 7 L' }).click()
  await page.getByRole('button', { name: 'Take out Tin mug' }).click()
  await expect(kept).toBeVisible()
  expect(errors).toEqual([])
})

test('what cannot be is said where it stands, and nothing typed is lost', async ({ page }) => {
  await page.goto('/kitchen')
  await page.getByLabel('Altitude').fill('high up')
  await expect(page.getByText('Give a number here.')).toBeVisible()
  await page.getByLabel('Altitude').fill('90000')
  await expect(page.getByText('Not kept yet: see what is marked in red')).toBeVisible()
  await expect(page.getByLabel('Altitude')).toHaveValue('90000')
  await page.getByLabel('Altitude').fill('1450')
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  const shuts = page.getByLabel('Weight shuts at').first()
  const was = await shuts.inputValue()
  await shuts.fill('400')
  await expect(page.getByText(/out of range|must shut at a lower pressure/).first()).toBeVisible()
  await shuts.fill(was)
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
})

test('two devices do not overwrite each other', async ({ browser }) => {
  const [one, other] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()]
  await one.goto('/kitchen')
  await other.goto('/kitchen')
  await one.getByLabel('Room').fill('22')
  // What nobody else is changing is there by itself.
  await expect(other.getByLabel('Room')).toHaveValue('22')
  await other.context().setOffline(true)
  await other.getByLabel('Tap water').fill('12')
  await expect(other.getByText(/Not kept yet/)).toBeVisible()
  await one.getByLabel('Room').fill('23')
  await expect(one.getByText('Kept', { exact: true })).toBeVisible()
  await other.context().setOffline(false)
  await expect(other.getByText(/changed on another device/)).toBeVisible()
  await other.getByRole('button', { name: 'Take what is there, drop mine' }).click()
  await expect(other.getByLabel('Room')).toHaveValue('23')
  await other.getByLabel('Room').fill('20')
  await expect(other.getByText('Kept', { exact: true })).toBeVisible()
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
