import { AxeBuilder } from '@axe-core/playwright'
import { expect } from '@playwright/test'
import { watchForErrors, test } from './kitchen'

// In real time, against sound, speed or dying servers: a machine that is busy may spoil one try, and it is named then.
test.describe.configure({ retries: 1 })
test('a plan is tried on the practice stove, with its mistakes, and the lid lifted', async ({ page, request }) => {
  test.setTimeout(120_000)
  const errors = watchForErrors(page)
  await page.goto('/pot')
  await page.getByRole('link', { name: 'Practise it first' }).click()
  await page.getByRole('button', { name: 'Put it on' }).click()
  await page.getByRole('button', { name: 'All four are right' }).click()
  await page.getByText('60×', { exact: true }).click()
  await page.getByRole('button', { name: 'It is lit' }).click()
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])

  // A whistle or two are counted, at this speed some slip by; then the cook loses patience.
  const count = page.locator('.great')
  for (let n = 0; n < 2; n++) {
    await expect(page.getByText('It whistles')).toBeVisible({ timeout: 60_000 })
    await page.keyboard.press('Space')
    await expect(count).toHaveText(/^[1-9]\d*\s*of/)
    await expect(page.getByText('It whistles')).toBeHidden()
  }
  await page.getByRole('group', { name: 'The practice stove' }).getByText('off', { exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Leave it shut.' })).toBeVisible()
  // The lid does not come off under pressure, here neither.
  await page.getByRole('button', { name: 'Pressure is gone' }).click()
  await expect(page.getByRole('heading', { name: 'Wait. By the sum there is still pressure.' })).toBeVisible()
  const open = page.getByRole('button', { name: 'It is open' })
  await expect(open).toBeVisible({ timeout: 60_000 })
  await open.click()

  await expect(page.getByRole('heading', { name: /^Navy beans: \w/ })).toBeVisible()
  await expect(page.getByText(/It got \d+ boil-minutes; \d+ were asked for/)).toBeVisible()
  await expect(page.getByText(/You counted [12] of \d+ whistles/)).toBeVisible()
  await page.getByRole('button', { name: 'Once more' }).click()
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
