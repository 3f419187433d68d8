import { expect } from '@playwright/test'
import { litBefore, test } from './kitchen'

test('a pot is planned and lit by the keyboard alone', async ({ page }) => {
  await page.goto('/pot')
  await expect(page.getByRole('button', { name: 'Light it' })).toBeVisible()

  // The first stop skips the header.
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to the content' })).toBeFocused()

  await page.getByRole('combobox', { name: 'Food' }).focus()
  await page.keyboard.type('sabut moong')
  await expect(page.getByRole('option', { name: /Whole mung/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Whole mung' })).toBeVisible()

  // Choices are radio buttons: the arrows move and choose.
  const texture = page.getByRole('radiogroup', { name: 'Wanted' })
  await texture.getByRole('radio', { name: 'tender' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(texture.getByRole('radio', { name: 'creamy' })).toBeChecked()
  await page.keyboard.press('ArrowLeft')
  await expect(texture.getByRole('radio', { name: 'tender' })).toBeChecked()

  const why = page.getByRole('button', { name: /why.*Pour .* of water/ })
  await why.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('table', { name: 'How the water adds up' })).toBeVisible()
  await expect(why).toHaveAttribute('aria-expanded', 'true')

  await page.getByRole('button', { name: 'Light it' }).focus()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'All four are fine' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Light it.' })).toBeVisible()
  await page.getByRole('button', { name: 'It is lit' }).focus()
  await page.keyboard.press('Enter')
  // Taps on a pot that is still cold count nothing, unless the cook knows better.
  for (let i = 0; i < 3; i++) await page.keyboard.press('Space')
  await expect(page.getByRole('alert').filter({ hasText: 'still be too cold to whistle' })).toBeVisible()
  await expect(page.locator('.great')).toHaveText(/^0\s*of/)
  await page.getByRole('button', { name: 'It did whistle: count it' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.locator('.great')).toHaveText(/^1\s*of/)
  await litBefore(page.request, page.url().split('/').at(-1)!)
  await expect(async () => {
    await page.keyboard.press('Space')
    await expect(page.locator('.great')).toHaveText(/^2\s*of/, { timeout: 1000 })
  }).toPass()
  await page.keyboard.press('u')
  await expect(page.locator('.great')).toHaveText(/^1\s*of/)
})

test('space never turns the heat off, however often it is pressed', async ({ page }) => {
  await page.goto('/pot')
  await page.getByRole('button', { name: 'Light it' }).click()
  await expect(page).toHaveURL(/\/cook\/[0-9a-f-]{36}$/)
  await litBefore(page.request, page.url().split('/').at(-1)!)
  await expect(page.getByRole('button', { name: /Count a whistle/ })).toBeVisible()
  await expect(page.locator('.great')).toHaveText(/of\s*\d+/)
  const total = Number((await page.locator('.great').innerText()).match(/of\s*(\d+)/)![1])
  for (let i = 0; i < total + 3; i++) await page.keyboard.press('Space')
  await expect(page.locator('.great')).toHaveText(new RegExp(`^${total + 3}\\s*of ${total + 3}`))
  await expect(page.getByRole('heading', { name: 'Turn the heat off now.' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Heat is off' })).toBeVisible()
})

test('the drawings have words for those who do not see them', async ({ page }) => {
  await page.goto('/pot')
  await expect(
    page.getByRole('group', { name: /Blue 5 L, 5 L\. Food stands at .* must not pass 2\.5 L/ }),
  ).toBeVisible()
  await expect(
    page.getByRole('img', { name: /Heat for \d+ minutes, pressure after \d+ minutes, \d+ whistles/ }),
  ).toBeVisible()
  await expect(
    page.getByRole('img', { name: /Navy beans: \d+ boil-minutes, (tender|soft); likely \d+ to \d+/ }),
  ).toBeVisible()
})

test('an address that leads nowhere leads back', async ({ page }) => {
  await page.goto('/nowhere')
  await expect(page.getByRole('heading', { name: 'There is no page here.' })).toBeVisible()
  await page.getByRole('link', { name: 'Plan a pot' }).click()
  await expect(page.getByRole('button', { name: 'Light it' })).toBeVisible()
})
