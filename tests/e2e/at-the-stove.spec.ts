import { expect } from '@playwright/test'
import type { RunEventData } from '../../core/live/event.schema'
import { beansRequest, choose, chosenIn, event, expectAccessible, startRun, test } from './kitchen'

/** Tells the server what has happened to a run, each so many minutes ago. */
async function happened(request: Parameters<typeof startRun>[0], runId: string, told: [RunEventData, number][]) {
  for (const [data, minutesAgo] of told) {
    const answer = await request.post(`/api/runs/${runId}/events`, {
      data: event(data, Date.now() - minutesAgo * 60_000),
    })
    expect(answer.ok()).toBe(true)
  }
}

test('beans with lectin are asked for one whistle before a low flame goes off', async ({ page }) => {
  const asked = { ...beansRequest(), style: { kind: 'first-whistle-then-low' as const } }
  const { runId } = await startRun(page.request, { request: asked })
  await happened(page.request, runId, [
    [{ kind: 'lit' }, 28],
    [{ kind: 'whistle' }, 19],
    [{ kind: 'flame', flame: 'low' }, 18.7],
  ])
  await page.goto(`/cook/${runId}`)
  await expect(page.getByRole('heading', { name: 'Turn it up until it whistles once more.' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'It is on high' }).click()
  await expect(page.getByRole('heading', { name: 'Leave it. One more whistle.' })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByRole('heading', { name: 'Turn the heat off now.' })).toBeVisible()
})

test('high to the first whistle, then down: the flame is asked for, and the count stands beside it', async ({
  page,
}) => {
  const asked = { ...beansRequest(), style: { kind: 'whistles' as const, heatUp: 'high' as const } }
  const { runId } = await startRun(page.request, { request: asked })
  await happened(page.request, runId, [
    [{ kind: 'lit' }, 9],
    [{ kind: 'whistle' }, 0.1],
  ])
  await page.goto(`/cook/${runId}`)
  await expect(page.getByRole('heading', { name: /^Turn it down to (medium|low) now\.$/ })).toBeVisible()
  await expect(page.getByText(/^Then it should whistle about every/)).toBeVisible()
  await expect(page.locator('.great')).toHaveText(/^1\s*of\s*\d+/)
  await expectAccessible(page)
  await page.getByRole('button', { name: /^It is on (medium|low)$/ }).click()
  await expect(page.getByRole('button', { name: /Count a whistle/ })).toBeVisible()
})

test('a pot that is planned again stands on the burner that it was cooked on', async ({ page }) => {
  await page.goto('/pot')
  await choose(page, 'Burner', 'Weak')
  await page.getByLabel('Dry amount').fill('1')
  await page.getByRole('button', { name: 'Light it' }).click()
  await expect(page).toHaveURL(/\/cook\/[0-9a-f-]{36}$/)
  const runId = page.url().split('/').at(-1)!
  await happened(page.request, runId, [
    [{ kind: 'lit' }, 40],
    [{ kind: 'whistle' }, 28],
    [{ kind: 'heat-off' }, 20],
    [{ kind: 'pressure-gone' }, 2],
    [{ kind: 'opened' }, 1],
  ])
  // Meanwhile the pot of the day is another.
  await page.goto('/pot')
  await choose(page, 'Burner', 'Strong')
  await page.getByLabel('Dry amount').fill('2')
  await page.goto(`/log/${runId}`)
  await page.getByRole('button', { name: 'Plan it again' }).click()
  await expect(page).toHaveURL(/\/pot$/)
  await expect(chosenIn(page, 'Burner')).toHaveText('Weak')
})

test('where the water does not last a lower flame is told, and the count goes on', async ({ page }) => {
  const asked = {
    ...beansRequest({ food: 'toor-split', dryG: 300, soak: null, texture: 'soft' }),
    freeLiquid: 'drained' as const,
    style: { kind: 'whistles' as const, flame: 'high' as const },
    given: [{ pourG: 479 }],
  }
  const { runId } = await startRun(page.request, { request: asked })
  await happened(page.request, runId, [
    [{ kind: 'lit' }, 6.6],
    [{ kind: 'whistle' }, 1.15],
    [{ kind: 'whistle' }, 0.8],
    [{ kind: 'whistle' }, 0.45],
    [{ kind: 'whistle' }, 0.1],
  ])
  await page.goto(`/cook/${runId}`)
  await expect(page.getByRole('heading', { name: 'Turn the flame down to medium.' })).toBeVisible()
  await page.getByRole('button', { name: 'It is on medium' }).click()
  await expect(page.getByRole('button', { name: /Count a whistle/ })).toBeVisible()
})

test('the practice stove goes on with the flame that was set before the gas ran out', async ({ page }) => {
  await page.goto('/pot')
  await page.getByRole('link', { name: 'Practise it first' }).click()
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await page.getByRole('button', { name: 'All four are fine' }).click()
  await page.getByRole('button', { name: 'It is lit' }).click()
  const stove = page.getByRole('group', { name: 'The practice stove' })
  await stove.getByText('low', { exact: true }).click()
  await expect(stove.getByRole('radio', { name: 'low', exact: true })).toBeChecked()
  await page.getByRole('button', { name: 'Other …' }).click()
  await page.getByText('The gas ran out').click()
  await expect(stove.getByRole('radio', { name: 'off', exact: true })).toBeChecked()
  await page.getByRole('button', { name: 'It is on again' }).click()
  await expect(stove.getByRole('radio', { name: 'low', exact: true })).toBeChecked()
})
