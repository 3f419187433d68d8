import { expect } from '@playwright/test'
import { choose, expectAccessible, litBefore, test } from './kitchen'

test.beforeEach(async ({ page }) => {
  await page.goto('/pot')
  await expect(page.getByRole('button', { name: 'Light it' })).toBeEnabled()
})

for (const [what, typed, unit, message] of [
  ['a negative amount', '-2', null, 'Give an amount from 5 to 10000 g.'],
  ['nothing', '0', null, 'Give an amount from 5 to 10000 g.'],
  ['an empty amount', '', null, 'Give a number here.'],
  ['words', 'two handfuls', null, 'Give a number here.'],
  ['a huge amount', '99999', 'g', 'more than any pot at home holds'],
  ['kilograms for grams', '0.4', 'g', 'If you meant kilograms, give 400 g.'],
  ['more than the pot holds', '3000', 'g', 'Take a larger pot or cook less.'],
] as const)
  test(`${what} is answered in words, and nothing can be lit`, async ({ page }) => {
    if (unit) await choose(page, 'Measured in', 'g')
    await page.getByLabel('Dry amount').fill(typed)
    await expect(page.getByText(message).first()).toBeVisible()
    await expect(page.getByRole('button', { name: 'Light it', disabled: false })).toHaveCount(0)
    // What was typed stays, and a sensible amount repairs it.
    await expect(page.getByLabel('Dry amount')).toHaveValue(typed)
    await page.getByLabel('Dry amount').fill(unit ? '300' : '1')
    await expect(page.getByRole('button', { name: 'Light it' })).toBeEnabled()
  })

test('a pot too small refuses and says what to do', async ({ page }) => {
  await choose(page, 'Pot', 'Old 3 L')
  await expect(page.getByText(/Too full: .* Cook less at a time, or take a larger pot/).first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Light it' })).toBeDisabled()
  await page.getByLabel('Dry amount').fill('0.5')
  await expect(page.getByRole('button', { name: 'Light it' })).toBeEnabled()
})

test('a plan that cannot be shows nothing of another, and the ways out stay', async ({ page }) => {
  await expect(page.getByRole('region', { name: 'The plan' })).toBeVisible()
  await choose(page, 'Measured in', 'g')
  await page.getByLabel('Dry amount').fill('3000')
  await expect(page.getByRole('heading', { name: 'Not possible like this.' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'The plan' })).toBeHidden()
  await expect(page.getByRole('figure', { name: /From the flame to the lid/ })).toBeHidden()
  await expect(page.getByText(/must not pass/)).toBeHidden()
  await expectAccessible(page)
  // Another style and another cooker can still be chosen.
  await expect(page.getByRole('radio', { name: 'By the clock' })).toBeAttached()
  await expect(page.getByRole('table').filter({ hasText: 'Electric 6 L' })).toBeVisible()
  // On a phone the reason is in sight without scrolling.
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.locator('.mini')).toContainText('Not possible like this.')
  await expect(page.locator('.mini')).toContainText('Take a larger pot or cook less.')
  await expect(page.locator('.mini')).toBeInViewport()
})

test('what was typed survives a reload', async ({ page }) => {
  await page.getByLabel('Dry amount').fill('1.25')
  await page.reload()
  await expect(page.getByLabel('Dry amount')).toHaveValue('1.25')
})

test('a run that does not exist is said to be so', async ({ page }) => {
  await page.goto('/cook/0de70000-0000-4000-8000-0000000000ff')
  await expect(page.getByText('There is no such run in this household.')).toBeVisible()
  await page.goto('/log/nonsense')
  await expect(page.getByText('There is no such run in this household.')).toBeVisible()
})

test('taps while the network is away are kept and sent, once each', async ({ page, context }) => {
  await page.getByRole('button', { name: 'Light it' }).click()
  await expect(page).toHaveURL(/\/cook\/[0-9a-f-]{36}$/)
  await litBefore(page.request, page.url().split('/').at(-1)!)
  await expect(page.getByRole('heading', { name: /first whistle/ })).toBeVisible()
  await context.setOffline(true)
  await page.keyboard.press('Space')
  await page.keyboard.press('Space')
  // Two, or more where the network was quicker away than the first was sent.
  await expect(page.getByText(/Not saved yet: [2-9]/)).toBeVisible()
  await expect(page.locator('.great')).toHaveText(/^2\s*of/)
  await context.setOffline(false)
  await expect(page.getByText(/Not saved yet/)).toBeHidden()
  await page.reload()
  await expect(page.locator('.great')).toHaveText(/^2\s*of/)
})
