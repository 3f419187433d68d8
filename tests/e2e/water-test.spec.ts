import { expect, type Page } from '@playwright/test'
import { ELECTRIC, expectAccessible, test, watchForErrors } from './kitchen'

const OLD_POT = '0de70000-0000-4000-8000-000000000102'

/** Presses the great button after so many seconds of the page's own clock. */
async function pressAfter(page: Page, seconds: number, name: string) {
  await page.clock.fastForward(seconds * 1000)
  await page.getByRole('button', { name, exact: true }).click()
}
/** A boil on a flame a fifth weaker than the kitchen thinks, as a simulation gives it. */
async function boil(page: Page) {
  await page.getByLabel('Water in').fill('600')
  await pressAfter(page, 0, 'It is lit')
  await pressAfter(page, 318, 'It whistles')
  for (let i = 0; i < 4; i++) await pressAfter(page, 26, 'It whistles')
  await pressAfter(page, 4, 'It is on medium')
  for (let i = 0; i < 3; i++) await pressAfter(page, i === 0 ? 36 : 43, 'It whistles')
  await pressAfter(page, 6, 'Heat is off')
  await pressAfter(page, 420, 'Pressure is gone')
}

test('a pot is measured in one boil, kept, planned with, and forgotten', async ({ page }) => {
  const errors = watchForErrors(page)
  await page.clock.install({ time: Date.now() - 3 * 3_600_000 })
  await page.goto('/kitchen')
  await page.getByRole('button', { name: /^Old 3 L/ }).click()
  await page.getByRole('link', { name: 'Measure it with water' }).click()
  await expect(page.getByText('Water test of Old 3 L')).toBeVisible()
  await boil(page)
  await expect(page.getByRole('heading', { name: 'Weigh what is left' })).toBeVisible()

  // A reload in the middle loses nothing; a slip in the weighing is told and nothing is kept.
  await page.reload()
  await page.getByLabel('Water left').fill('640')
  await expect(page.getByText('This cannot be right, so nothing is saved')).toBeVisible()
  await expect(page.getByText(/There cannot be 640 g left of 600 g/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeHidden()
  await page.getByLabel('Water left').fill('500')
  await expect(page.getByRole('heading', { name: 'What the test shows' })).toBeVisible()
  await expect(page.getByRole('img', { name: /The computed boil as a line/ })).toBeVisible()
  await expect(page.getByRole('table').filter({ hasText: 'first whistle' })).toContainText('5.3 min')
  await expect(page.getByText('What changes in the plans, in Old 3 L')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page).toHaveURL(/\/kitchen\?at=/)
  await expect(page.getByText(/Measured .* on Strong: high [\d,]+ W, medium \d+ W/)).toBeVisible()
  await page.getByRole('button', { name: 'Forget it' }).click()
  await expect(page.getByText(/Measured .* on Strong/)).toBeHidden()
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  expect(errors).toEqual([])
})

test('a boil that no pot does is not kept', async ({ page }) => {
  await page.clock.install({ time: Date.now() - 3 * 3_600_000 })
  await page.goto(`/kitchen/test/${OLD_POT}`)
  await page.getByLabel('Water in').fill('600')
  await pressAfter(page, 0, 'It is lit')
  await pressAfter(page, 300, 'It whistles')
  for (const seconds of [2, 240, 3, 180]) await pressAfter(page, seconds, 'It whistles')
  await page.getByRole('button', { name: 'Undo the last one' }).click()
  await pressAfter(page, 100, 'It whistles')
  await pressAfter(page, 4, 'It is on medium')
  for (let i = 0; i < 3; i++) await pressAfter(page, 5, 'It whistles')
  await pressAfter(page, 6, 'Heat is off')
  await pressAfter(page, 420, 'Pressure is gone')
  await page.getByLabel('Water left').fill('500')
  await expect(page.getByText(/One reading does not fit the others/)).toBeVisible()
  await expect(page.getByText(/but the other readings fit/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Do not use that reading' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeHidden()
  await page.getByRole('button', { name: 'Start again' }).click()
  await expect(page.getByRole('button', { name: 'It is lit' })).toBeVisible()
})

test('a program of a device is measured and can be planned with', async ({ page }) => {
  await page.clock.install({ time: Date.now() - 5 * 3_600_000 })
  await page.goto(`/kitchen/program/${ELECTRIC}`)
  await page.getByLabel('Its name on the device').fill('Beans')
  await page.getByRole('button', { name: 'It starts now' }).click()
  await pressAfter(page, 12 * 60, 'It boils')
  await pressAfter(page, 5 * 60, 'Pin is up')
  await page.clock.fastForward(40 * 60_000)
  await page.getByLabel('Thermometer').fill('114')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await pressAfter(page, 15 * 60, 'Pin is down')
  await pressAfter(page, 60, 'It has ended')
  await page.getByLabel('Water left').fill('1200')
  await expect(page.getByText('There cannot be more water left than went in.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save the program' })).toBeDisabled()
  await page.getByLabel('Water left').fill('960')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save the program' }).click()
  await expect(page.getByText('Its program “Beans”, 73 min')).toBeVisible()

  await page.getByRole('link', { name: 'Pot', exact: true }).click()
  await page.getByRole('button', { name: 'Use Electric 6 L, its own program' }).click()
  await expect(page.getByRole('region', { name: 'The plan' })).toContainText('Start Beans; it ends by itself')
  await page.getByRole('link', { name: 'Kitchen', exact: true }).click()
  await page.getByRole('button', { name: /^Electric 6 L/ }).click()
  await page.getByRole('button', { name: 'Take out Beans' }).click()
  await expect(page.getByText('Its program “Beans”')).toBeHidden()
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
})
