import { expect } from '@playwright/test'
import { choose, chosenIn, expectAccessible, planFigures, test, watchForErrors } from './kitchen'

test('a food is found by any of its names, read about, and made one’s own', async ({ page }) => {
  const errors = watchForErrors(page)
  await page.goto('/larder')
  await page.getByLabel('Any name, in any language').fill('zzz')
  await expect(page.getByText('No food is called “zzz”.').first()).toBeVisible()
  await page.getByLabel('Any name, in any language').fill('nohut')
  await expect(page.getByRole('heading', { name: '1 food', exact: true })).toBeVisible()
  await page.getByRole('link', { name: /Chickpeas/ }).click()
  await expect(page.getByRole('heading', { name: 'Chickpeas' })).toBeVisible()
  await expect(page.getByText('An estimate.')).toBeVisible()
  await expect(page.getByRole('img', { name: /How far Chickpeas is soaked/ })).toBeVisible()

  await page.getByRole('button', { name: 'Make my own from this' }).click()
  await expect(page.getByRole('heading', { name: 'Chickpeas, ours' })).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Aunt’s chickpeas')
  await page.getByLabel('tender', { exact: true }).fill('1')
  await expect(page.getByText(/Boil-minutes must rise from firm over tender/).first()).toBeVisible()
  await page.getByLabel('tender', { exact: true }).fill('80')
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await expect(page.getByText('Your own figures, started from Chickpeas.')).toBeVisible()

  await page.getByRole('button', { name: 'Add a bag' }).click()
  await page.getByLabel('Which bag').fill('From the market')
  await page.getByLabel('Bought on').fill('2023-05-01')
  await expect(page.getByText(/over a year old, so it needs about a third longer/)).toBeVisible()
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()

  // It is planned like any food, and its old bag counts.
  await page.getByRole('button', { name: 'Plan a pot' }).click()
  await expect(page.getByRole('heading', { name: 'Aunt’s chickpeas' })).toBeVisible()
  const { ready, both } = planFigures(page)
  const whistles = async () => (await both()).figure
  await ready()
  // Its one bag is the one that is cooked from.
  await expect(chosenIn(page, 'From which bag')).toHaveText('From the market, over a year old')
  const old = await whistles()
  await choose(page, 'From which bag', 'from any bag')
  await expect.poll(whistles).toBeLessThan(old)

  // Taken out again: the pot says so, and undo brings nothing to harm.
  await page.goto('/larder')
  await page.getByRole('link', { name: /Aunt’s chickpeas/ }).click()
  await page.getByRole('button', { name: 'Remove this food' }).click()
  await expect(page.getByRole('heading', { name: 'Chickpeas', exact: true })).toBeVisible()
  await page.goto('/pot')
  await expect(page.getByText('This food is no longer in the list. Choose another.')).toBeVisible()
  expect(errors.filter((text) => !text.includes('422'))).toEqual([])
})

test('slash finds a food anywhere and question mark lists the keys', async ({ page }) => {
  await page.goto('/log')
  await expect(page.getByRole('heading', { name: /Log|Nothing cooked yet/ })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeHidden()
  await page.keyboard.press('/')
  await page.getByRole('combobox', { name: 'Find a food' }).fill('toor')
  await expectAccessible(page)
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/pot$/)
  await expect(page.getByRole('heading', { name: 'Split pigeon peas' })).toBeVisible()
})

test('one question names several things, a measure nobody has told, and what is in no list', async ({ page }) => {
  await page.goto('/')
  const question = page.getByRole('combobox', { name: 'What goes in the pot?' })
  await question.fill('1 katori rice')
  await expect(page.getByText('How much is in your “katori” is not known')).toBeVisible()
  await expect(page.getByRole('option').first()).toContainText('Long-grain white rice')

  await question.fill('moringa')
  await expect(page.getByText('No food is called “moringa”.')).toBeVisible()
  await page.getByRole('link', { name: 'Long-grain white rice' }).click()
  await page.getByRole('button', { name: 'Make “moringa” from this' }).click()
  await expect(page.getByRole('heading', { name: 'moringa' })).toBeVisible()

  await page.goto('/')
  await question.fill('1 cup toor dal with 2 tomatoes')
  await expect(page.getByText('With it: 2 tomatoes')).toBeVisible()
  await question.press('Enter')
  await expect(page).toHaveURL(/\/pot/)
  await expect(page.getByLabel('Its amount')).toHaveValue('240')
  await planFigures(page).ready()
})
