import { expect, type Page } from '@playwright/test'
import { expectAccessible, test, watchForErrors } from './kitchen'

/** Lets the stove's time go by, a frame of the page at a time, until something is so. */
async function until(page: Page, what: string, isSo: () => Promise<boolean>, framesAtOnce: number) {
  for (let i = 0; i < 600; i++) {
    if (await isSo()) return
    await page.clock.runFor(framesAtOnce * 16)
  }
  throw new Error(`In all this time it never came to this: ${what}.`)
}

test('a plan is tried on the practice stove, with its mistakes, and the lid lifted', async ({ page, request }) => {
  const errors = watchForErrors(page)
  // The stove goes by the page's frames, which here come only when they are called.
  await page.clock.install()
  await page.goto('/pot')
  await page.getByRole('link', { name: 'Practise it first' }).click()
  await page.waitForURL(/\/practice/)
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await page.getByRole('button', { name: 'All four are fine' }).click()
  await page.getByRole('button', { name: 'It is lit' }).click()
  await expectAccessible(page)
  // Not before: looking for faults takes its time, and sixty times that is a whistle.
  await page.getByText('60×', { exact: true }).click()
  // The space bar is to count, not to choose.
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())

  await page.clock.pauseAt(Date.now() + 1000)
  await page.clock.runFor(5000)

  // A whistle or two are counted, at this speed some slip by; then the cook loses patience.
  const count = page.locator('.great')
  for (let n = 0; n < 2; n++) {
    const whistles = page.getByText('It whistles')
    await until(page, 'a whistle', () => whistles.isVisible(), 4)
    await page.keyboard.press('Space')
    await expect(count).toHaveText(new RegExp(`^${n + 1}\\s*of`))
    await until(page, 'its end', async () => !(await whistles.isVisible()), 4)
  }
  await page.getByRole('group', { name: 'The practice stove' }).getByText('off', { exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Leave it shut.' })).toBeVisible()
  // The lid does not come off under pressure, here neither.
  await page.getByRole('button', { name: 'Pressure is gone' }).click()
  await expect(page.getByRole('heading', { name: 'Wait. There should still be pressure inside.' })).toBeVisible()
  const open = page.getByRole('button', { name: 'It is open' })
  // What was said too early is not taken for seen: it is looked at once more.
  const again = page.getByRole('heading', { name: 'Check once more.' })
  await until(page, 'a lid that may come off', () => again.isVisible(), 60)
  await page.getByRole('button', { name: 'Pressure is gone' }).click()
  await until(page, 'a lid to be opened', () => open.isVisible(), 1)
  await open.click()

  await expect(page.getByRole('heading', { name: /^Navy beans: \w/ })).toBeVisible()
  await expect(page.getByText(/It cooked for \d+ boil-minutes .*; it needs \d+/)).toBeVisible()
  await expect(page.getByText(/You counted [12] of \d+ whistles/)).toBeVisible()
  await page.getByRole('button', { name: 'Practise again' }).click()
  await expect(page.getByRole('heading', { name: 'Before you close it.' })).toBeVisible()
  // Practice leaves nothing in the log.
  expect(await (await request.get('/api/runs')).text()).not.toContain('practice')
  expect(errors).toEqual([])
})

test('without a pot that can be answered the practice stove says what to do', async ({ page }) => {
  await page.goto('/practice')
  await expect(page.getByRole('heading', { name: 'Practice stove' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'To the pot' })).toBeVisible()
})
