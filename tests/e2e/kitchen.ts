import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { AxeBuilder } from '@axe-core/playwright'
import {
  expect,
  request as playwrightRequest,
  test as base,
  type APIRequestContext,
  type Locator,
  type Page,
} from '@playwright/test'
import { Pool } from 'pg'
import { COOKERS } from '../../core/appliance/appliance'
import type { RunEventData } from '../../core/live/event.schema'
import type { PlanRequest } from '../../core/program/request.schema'
import type { DishDocument } from '../../shared/dish'
import { beansWithSquash } from '../dishes'
import { DEMO_HOUSEHOLD } from '../../scripts/demo-household.mjs'

export const BLUE_POT = '0de70000-0000-4000-8000-000000000101'
export const ELECTRIC = '0de70000-0000-4000-8000-000000000103'

/** Makes a household like the demo's, or a bare one, and answers the token of a link that lets somebody in. */
export async function newHousehold(change: Partial<{ name: string; bare: boolean }> = {}): Promise<string> {
  const pool = new Pool({ connectionString: process.env.DATABASE_URL, max: 1 })
  try {
    const { rows } = await pool.query<{ id: string }>(
      `with made as (insert into households default values returning id)
       insert into documents (household_id, kind, id, name, content)
       select made.id, 'kitchen', made.id, coalesce($2::jsonb ->> 'name', name), content || $2::jsonb
       from made, documents
       where household_id = $1 and kind = 'kitchen' returning id`,
      [
        DEMO_HOUSEHOLD,
        JSON.stringify({
          ...(change.name ? { name: change.name } : {}),
          ...(change.bare ? { cookers: [], burners: [], measures: [], tins: [], foods: [], bags: [] } : {}),
        }),
      ],
    )
    const { id } = rows[0]!
    if (!change.bare)
      await pool.query(
        `insert into documents (household_id, kind, name, favourite, content)
         select $2, kind, name, favourite, content from documents
         where household_id = $1 and kind = 'pot' and deleted_at is null`,
        [DEMO_HOUSEHOLD, id],
      )
    return await newLink(pool, id)
  } finally {
    await pool.end()
  }
}

/** A link that lets somebody into a household. */
async function newLink(pool: Pool, householdId: string): Promise<string> {
  const token = randomBytes(24).toString('base64url')
  await pool.query(
    `insert into invites (household_id, digest, expires_at) values ($1, $2, now() + interval '1 hour')`,
    [householdId, createHash('sha256').update(token).digest('hex')],
  )
  return token
}

/** Comes in by a link, and is an owner of the household from then on. */
export async function join(request: APIRequestContext, token: string, name = 'A cook'): Promise<void> {
  const answer = await request.post(`/api/auth/invites/${token}`, { data: { name } })
  expect(answer.status()).toBe(204)
  const pool = new Pool({ connectionString: process.env.DATABASE_URL, max: 1 })
  await pool.query(
    `update members set role = 'owner' where household_id = (select household_id from invites where digest = $1)`,
    [createHash('sha256').update(token).digest('hex')],
  )
  await pool.end()
}

/** Somebody who is in nowhere. */
export const newcomer = (baseURL: string | undefined): Promise<APIRequestContext> =>
  playwrightRequest.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } })

/** Every journey in a household of its own, so that they can run side by side and in any order. */
export const test = base.extend({
  storageState: async ({ baseURL }, use) => {
    const joining = await playwrightRequest.newContext({ baseURL })
    await join(joining, await newHousehold())
    const state = await joining.storageState()
    await joining.dispose()
    await use(state)
  },
})

export const beansRequest = (change: Partial<PlanRequest['contents'][number]> = {}): PlanRequest => ({
  kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
  cooker: COOKERS['whistling-5l-aluminium']!,
  burner: { high: 1300, medium: 520, low: 300, simmer: 200 },
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

/** Writes down that the pot of a run was lit so many minutes ago: it may whistle by now. */
export async function litBefore(request: APIRequestContext, runId: string, minutes = 7) {
  const lit = event({ kind: 'lit' }, Date.now() - minutes * 60_000)
  expect((await request.post(`/api/runs/${runId}/events`, { data: lit })).ok()).toBe(true)
}

/** A dish in the household's blue pot. */
export function beansDocument(change: Partial<DishDocument> = {}): DishDocument {
  const dish = beansWithSquash()
  for (const { pot } of dish.stages) if (pot) pot.cookerId = BLUE_POT
  return { shape: 1, ...dish, ...change }
}

/** Keeps a dish by way of the API, and answers its id. */
export async function keepDish(request: APIRequestContext, dish = beansDocument()): Promise<string> {
  const id = randomUUID()
  const kept = await request.put(`/api/documents/dish/${id}`, { data: { version: 0, content: dish } })
  expect(kept.status()).toBe(200)
  return id
}

/** By how much the page is wider than its window. */
export const sideways = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)

export const event = (data: RunEventData, at = Date.now()) => ({ id: randomUUID(), at, data })

/** Fails the test on anything the page logs as an error or throws. */
export function watchForErrors(page: Page): string[] {
  const errors: string[] = []
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()))
  page.on('pageerror', (error) => errors.push(error.message))
  return errors
}

/** Takes one of a list's choices, once it is there. */
export async function choose(of: Page | Locator, label: string, option: string) {
  await of.getByRole('combobox', { name: label, exact: true }).press('Enter')
  const page = 'page' in of ? of.page() : of
  await page.getByRole('option', { name: option, exact: true }).click()
}
export async function chooseNth(page: Page, label: string, nth: number) {
  await page.getByRole('combobox', { name: label, exact: true }).first().press('Enter')
  await page.getByRole('option').nth(nth).click()
}

/** What is chosen in a list. */
export const chosenIn = (page: Page, label: string) =>
  page
    .locator('.v-select', { has: page.getByRole('combobox', { name: label, exact: true }) })
    .locator('.v-select__selection-text')

/** All of what axe knows, or what alone can differ from one theme to the other. */
const RULES = { all: [], colours: ['color-contrast', 'link-in-text-block'] } as const

/**
 * What stands on the page has no fault that axe knows, once nothing is fading in any more. `within` is a part of it: what
 * lies behind a dialog is dimmed on purpose.
 */
export async function expectAccessible(page: Page, rules: keyof typeof RULES = 'all', within?: string) {
  const passing = () =>
    page.evaluate(
      () =>
        document
          .getAnimations()
          .filter(
            ({ effect, playState }) => playState === 'running' && effect?.getComputedTiming().endTime !== Infinity,
          ).length,
    )
  await expect.poll(passing, { intervals: [50] }).toBe(0)
  // No page has frames; without looking into them no second page is opened.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  if (rules !== 'all') axe.withRules([...RULES[rules]])
  if (within) axe.include(within)
  expect((await axe.analyze()).violations).toEqual([])
}

/** The figures of the plan on the Pot page, each by the step in which it stands. */
export function planFigures(page: Page) {
  const plan = page.getByRole('region', { name: 'The plan' })
  const water = plan.locator('[data-deed=pour] .great').first()
  /** Whistles or minutes: of the last setting of the heat. */
  const counted = plan
    .locator('[data-deed=turn] .great, [data-deed=light]:not(:has(+ [data-deed=turn])) .great')
    .first()
  const read = async (of: Locator) => parseInt((await of.innerText()).replace(/\D/g, ''))
  return {
    plan,
    water,
    counted,
    ready: () => expect(counted).toBeVisible(),
    // “High until it whistles once” has no figure but that.
    both: async () => ({ water: await read(water), figure: (await read(counted)) || 1 }),
  }
}
