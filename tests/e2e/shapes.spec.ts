import { expect } from '@playwright/test'
import { SHAPES } from '../corpus/shapes'
import { test } from './kitchen'

/** After the lines are typed, no more presses than so many. */
const MOST_PRESSES = 3
const KINDS: Record<string, string> = {
  soak: 'Soak',
  pot: 'Close and cook',
  fry: 'Fry',
  simmer: 'Simmer open',
  temper: 'Temper',
  rest: 'Rest, covered',
  fluff: 'Fluff',
  chill: 'Chill and keep',
}

test('dishes of twelve shapes are built from typed lines in three presses or fewer, every stage right', async ({
  page,
}) => {
  const presses: number[] = []
  for (const { name, lines, presses: pressed, stages } of SHAPES) {
    await page.goto('/dishes')
    await page.getByRole('button', { name: 'Start a dish' }).click()
    await page.getByLabel('What is it called?').fill(name)
    await page.keyboard.press('Enter')
    await page.getByLabel('Type or paste a line, or several').fill(lines)
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    const take = page.getByRole('button', { name: 'Use these stages' })
    await expect(take, name).toBeVisible()
    for (const { says } of pressed)
      await page.getByRole('radio', { name: new RegExp(`^${says}`) }).check({ force: true })
    const kinds = stages.map((one) => KINDS[one.split(/[ :]/)[0]!]!)
    await expect(page.locator('.stages h2'), name).toHaveText(kinds)
    await take.click()
    await expect(page.getByRole('link', { name: 'Cook it' }), name).toBeVisible()
    await expect(page.getByRole('alert'), name).toHaveCount(0)
    presses.push(pressed.length + 1)
  }
  expect(Math.max(...presses)).toBeLessThanOrEqual(MOST_PRESSES)
})

test('other choices say what they cost; stages are parted and joined, fat is kept, a dish is for six other numbers', async ({
  page,
}) => {
  await page.goto('/dishes')
  await page.getByRole('button', { name: 'Start a dish' }).click()
  await page.getByLabel('What is it called?').fill('Peas')
  await page.keyboard.press('Enter')
  await page
    .getByLabel('Type or paste a line, or several')
    .fill('200 g black-eyed peas\n2 onions\n2 tomatoes\n4 cloves garlic\n4 tbsp oil\n8 g salt')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  // Sour keeps them hard: that is told beside the choice.
  await expect(page.getByRole('radio', { name: /^from the start \d+ more whistles?/ })).toBeVisible()
  await page.getByRole('button', { name: 'Use these stages' }).click()
  const kinds = page.locator('.stages h2')
  await expect(kinds).toHaveText(['Soak', 'Close and cook', 'Fry', 'Simmer open'])

  await page.getByRole('button', { name: 'Change fry' }).click()
  await page.getByRole('button', { name: 'Make two stages of it' }).click()
  await expect(kinds).toHaveText(['Soak', 'Close and cook', 'Fry', 'Fry', 'Simmer open'])
  await expect(page.locator('.stages')).toBeFocused()
  // The first of the two is open still.
  await page.getByRole('button', { name: 'Change fry' }).click()
  await page.getByRole('button', { name: 'Join with the stage before' }).click()
  await expect(kinds).toHaveText(['Soak', 'Close and cook', 'Fry', 'Simmer open'])

  await page.setViewportSize({ width: 1280, height: 1900 })
  // The same by keys, and by dragging the one onto the other.
  const grip = page.getByRole('button', { name: /^Drag to move fry/ })
  await grip.focus()
  await page.keyboard.press('p')
  await expect(kinds).toHaveCount(5)
  await grip.nth(1).focus()
  await page.keyboard.press('j')
  await expect(kinds).toHaveCount(4)
  await grip.focus()
  await page.keyboard.press('p')
  await expect(kinds).toHaveCount(5)
  // Rows grow once what is done in them is worked out: then they stay where they are.
  await expect(page.locator('.stages > li').nth(3)).toContainText('2 tomatoes')
  await expect(async () => {
    const from = (await grip.nth(1).boundingBox())!
    const onto = (await page.locator('.stages > li').nth(2).boundingBox())!
    await page.mouse.move(from.x + 8, from.y + 8)
    await page.mouse.down()
    await page.mouse.move(onto.x + 60, onto.y + 40, { steps: 6 })
    await page.mouse.up()
    await expect(kinds).toHaveCount(4, { timeout: 3000 })
  }).toPass()

  await page.getByRole('button', { name: 'Change fry' }).click()
  await page.getByLabel('Fat kept aside').fill('20')
  await expect(page.locator('.stages > li').nth(2)).toContainText('Lift 20 g of the fat out for later')
  await page.getByRole('button', { name: 'Done', exact: true }).first().click()
  await page.getByRole('button', { name: 'Change simmer open' }).click()
  await page.getByLabel(/^fat kept from/).check({ force: true })
  await expect(page.locator('.stages > li').nth(3)).toContainText('20 g fat that was kept')
  await page.getByRole('button', { name: 'Done', exact: true }).first().click()

  for (const servings of [1, 2, 3, 6, 9, 20]) {
    const number = page.getByRole('textbox', { name: 'For how many' })
    await number.fill(String(servings))
    await number.press('Enter')
    await expect(page.getByText(`For ${servings} instead of 4`)).toBeVisible()
    // Each ends in a plan: it is cooked as it is, or the ways to have it are told.
    await expect(
      page
        .getByRole('link', { name: 'Cook it' })
        .or(page.locator('.fit').getByText(/in all/))
        .first(),
    ).toBeVisible()
    await page.getByRole('button', { name: 'Back to 4' }).click()
  }
})
