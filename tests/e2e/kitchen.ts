import { randomUUID } from 'node:crypto'
import { expect, type APIRequestContext, type Page } from '@playwright/test'
import { COOKERS } from '../../core/appliance/appliance'
import { awaitsFoods, runState } from '../../core/live/run'
import type { RunEventData } from '../../core/live/event.schema'
import type { PlanRequest } from '../../core/program/request.schema'
import type { RunWithPlan } from '../../shared/household'

export const BLUE_POT = '0de70000-0000-4000-8000-000000000101'

export const beansRequest = (change: Partial<PlanRequest['contents'][number]> = {}): PlanRequest => ({
  kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
  cooker: COOKERS['whistling-5l-aluminium']!,
  burner: 'strong',
  contents: [
    {
      food: 'navy-bean',
      dryG: 300,
      soak: { hours: 9, waterC: 18, keepWater: false },
      texture: 'tender',
      where: 'base',
      ...change,
    },
  ],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
})

/** Keeps a plan and starts a run of it, by way of the API. */
export async function startRun(
  request: APIRequestContext,
  { name = 'Beans for a test', request: asked = beansRequest() }: { name?: string; request?: PlanRequest } = {},
) {
  const planId = randomUUID()
  const runId = randomUUID()
  const plan = await request.post('/api/plans', {
    data: { id: planId, name, cookerId: BLUE_POT, request: asked },
  })
  expect(plan.status()).toBe(201)
  const run = await request.post('/api/runs', { data: { id: runId, planId } })
  expect(run.status()).toBe(201)
  return { planId, runId }
}

/** Gives up whatever other tests have left on the stove. */
export async function clearStove(request: APIRequestContext) {
  const runs = (await (await request.get('/api/runs')).json()) as RunWithPlan[]
  for (const { id, events, plan } of runs) {
    const state = runState(events)
    if (['opened', 'abandoned'].includes(state.phase) && !awaitsFoods(plan.answer, state)) continue
    await request.post(`/api/runs/${id}/events`, { data: event({ kind: 'abandoned' }) })
  }
}

export const event = (data: RunEventData, at = Date.now()) => ({ id: randomUUID(), at, data })

/** Fails the test on anything the page logs as an error or throws. */
export function watchForErrors(page: Page): string[] {
  const errors: string[] = []
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()))
  page.on('pageerror', (error) => errors.push(error.message))
  return errors
}

/** Opens a select of the interface library and takes one of its options. */
export async function choose(page: Page, label: string, option: string) {
  // The field itself is covered by the text of the choice; a person clicks on that.
  await page.getByRole('combobox', { name: label, exact: true }).click({ force: true })
  await page.getByRole('option', { name: option, exact: true }).click()
}
