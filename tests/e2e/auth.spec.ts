import { randomUUID } from 'node:crypto'
import { readdirSync } from 'node:fs'
import path from 'node:path'
import { expect } from '@playwright/test'
import { Pool } from 'pg'
import type { KeptMeal, KeptPortion } from '../../shared/household'
import { newMeal } from '../../shared/meal'
import type { Portion } from '../../shared/portion.schema'
import { PORTION_SHAPE } from '../../shared/shapes'
import { DEMO_HOUSEHOLD } from '../../scripts/demo-household.mjs'
import {
  BLUE_POT,
  beansDocument,
  beansRequest,
  event,
  expectAccessible,
  join,
  keepDish,
  litBefore,
  newcomer,
  newHousehold,
  startRun,
  test,
} from './kitchen'

/** Every route of the API, by its method and its path, as its file says. */
function allRoutes(): { method: string; route: string }[] {
  const at = path.resolve('server/api')
  return readdirSync(at, { recursive: true, encoding: 'utf8' }).flatMap((file) => {
    const found = /^(.*?)(?:\/?index)?\.(get|post|put|patch|delete)\.ts$/.exec(file.split(path.sep).join('/'))
    return found ? [{ method: found[2]!.toUpperCase(), route: found[1]! }] : []
  })
}

test.describe('every route', () => {
  /** What belongs to no household, or is asked with a secret of its own. */
  const OF_NOBODY = [
    'GET auth',
    'POST auth/household',
    'POST auth/enter',
    'POST auth/leave',
    'GET auth/passkey',
    'POST auth/passkey',
    'GET auth/invites/[token]',
    'POST auth/invites/[token]',
    'GET guest/[token]',
    'GET health',
  ]
  /** What tells of the asking household alone, with no id of anything in it. */
  const OF_THE_ASKER = [
    'GET household',
    'DELETE household',
    'POST household/keep',
    'GET household/archive',
    'POST household/archive',
    'GET changes',
    'POST plan',
    'GET calendar',
    'POST calendar',
    'DELETE calendar',
    'GET people',
    'PATCH people/me',
    'GET people/passkey',
    'POST people/passkey',
    'GET people/confirm',
    'POST people/confirm',
    'DELETE people/devices',
    'GET learnt',
    'GET learnt/figures',
    'POST learnt/forget',
    'POST learnt/remember',
    'GET log',
    'POST log',
    'GET dishes/begun',
    'GET documents/[kind]',
    'GET runs',
  ]

  test('is asked with ids of another household, and gives and changes nothing', async ({ request, baseURL }) => {
    const { planId, runId } = await startRun(request)
    await litBefore(request, runId)
    const dishId = await keepDish(request)
    const potId = randomUUID()
    const { id: householdId, content: kitchen } = await (await request.get('/api/documents/kitchen/own')).json()
    const [anyPot] = (await (await request.get('/api/documents/pot')).json()) as { content: object }[]
    const keptPot = { version: 0, name: 'Ours', content: anyPot!.content }
    expect((await request.put(`/api/documents/pot/${potId}`, { data: keptPot })).ok()).toBe(true)
    const portionId = randomUUID()
    const [portion] = (await (await (await newcomer(baseURL)).get('/api/documents/portion')).json()) as {
      content: object
    }[]
    const keptPortion = { version: 0, content: portion!.content }
    expect((await request.put(`/api/documents/portion/${portionId}`, { data: keptPortion })).ok()).toBe(true)
    const mealId = randomUUID()
    const meal = newMeal(Date.now() + 7_200_000)
    const keptMeal = { version: 0, content: meal }
    const mealAnswer = await request.put(`/api/documents/meal/${mealId}`, { data: keptMeal })
    const people = (await (await request.get('/api/people')).json()) as {
      members: { id: string }[]
      devices: { id: string }[]
    }
    const invite = (await (await request.post('/api/people/invites', { data: {} })).json()) as { id: string }
    const before = JSON.stringify([
      kitchen,
      await (await request.get(`/api/runs/${runId}`)).json(),
      await (await request.get(`/api/documents/dish/${dishId}`)).json(),
      await (await request.get(`/api/documents/pot/${potId}`)).json(),
      await (await request.get(`/api/documents/portion/${portionId}`)).json(),
      await (await request.get('/api/people')).json(),
    ])

    const theirs = await newcomer(baseURL)
    await join(theirs, await newHousehold({ name: 'Next auth', bare: true }))
    const kept = [
      { kind: 'pot', id: potId },
      { kind: 'dish', id: dishId },
      { kind: 'meal', id: mealId },
      { kind: 'portion', id: portionId },
    ]
    const foreign: Record<string, { id: string; kind?: string; body?: object }[]> = {
      'GET plans/[id]': [{ id: planId }],
      'POST plans': [{ id: '', body: { id: planId, name: 'Taken', cookerId: BLUE_POT, request: beansRequest() } }],
      'POST runs': [
        { id: '', body: { id: runId, planId } },
        { id: '', body: { id: randomUUID(), planId } },
      ],
      'GET runs/[id]': [{ id: runId }],
      'PATCH runs/[id]': [{ id: runId, body: { teaches: false } }],
      'POST runs/[id]/events': [{ id: runId, body: event({ kind: 'whistle', how: 'ear' }) }],
      'PUT runs/[id]/name': [{ id: runId, body: { name: 'Theirs' } }],
      'PUT runs/[id]/verdict': [
        { id: runId, body: { content: 0, foodId: 'navy-bean', texture: 1, water: 0, note: '' } },
      ],
      'GET runs/[id]/photo': [{ id: runId }],
      'PUT runs/[id]/photo': [{ id: runId, body: {} }],
      'DELETE runs/[id]/photo': [{ id: runId }],
      'PUT dishes/[id]/begun': [{ id: dishId, body: { at: 2 } }],
      'DELETE dishes/[id]/begun': [{ id: dishId }],
      'GET meals/[id]/calendar': [{ id: mealId }],
      'GET documents/[kind]/[id]': kept,
      // Under the same id a household keeps a document of its own; the kitchen has no other id than its household's.
      'PUT documents/[kind]/[id]': [{ kind: 'kitchen', id: householdId, body: { version: 1, content: kitchen } }],
      'DELETE documents/[kind]/[id]': [...kept, { kind: 'kitchen', id: 'own' }],
      'GET documents/[kind]/[id]/versions': [{ kind: 'kitchen', id: householdId }],
      'POST people/invites': [{ id: '', body: { mealId } }],
      'DELETE people/invites/[id]': [{ id: invite.id }],
      'PATCH people/passkey/[id]': [{ id: 'a-key', body: { label: 'Mine now' } }],
      'DELETE people/passkey/[id]': [{ id: 'a-key' }],
      'DELETE people/devices/[id]': [{ id: people.devices[0]!.id }],
      'PATCH people/members/[id]': [{ id: people.members[0]!.id, body: { role: 'member' } }],
      'DELETE people/members/[id]': [{ id: people.members[0]!.id }],
    }
    expect(mealAnswer.ok(), await mealAnswer.text()).toBe(true)
    // A route that is added without being tried here fails this.
    const known = [...OF_NOBODY, ...OF_THE_ASKER, ...Object.keys(foreign)].sort()
    expect(known).toEqual(
      allRoutes()
        .map(({ method, route }) => `${method} ${route}`)
        .sort(),
    )
    for (const [named, tries] of Object.entries(foreign)) {
      const [method, route] = named.split(' ') as [string, string]
      for (const { id, kind = '', body } of tries) {
        const answer = await theirs.fetch(`/api/${route.replace('[kind]', kind).replace('[id]', id)}`, {
          method,
          ...(body ? { data: body } : {}),
        })
        expect([404, 405, 409, 415], `${named}: ${answer.status()} ${await answer.text()}`).toContain(answer.status())
      }
    }
    expect(await (await theirs.get(`/api/documents/dish/${dishId}/versions`)).json()).toEqual([])
    const after = JSON.stringify([
      kitchen,
      await (await request.get(`/api/runs/${runId}`)).json(),
      await (await request.get(`/api/documents/dish/${dishId}`)).json(),
      await (await request.get(`/api/documents/pot/${potId}`)).json(),
      await (await request.get(`/api/documents/portion/${portionId}`)).json(),
      await (await request.get('/api/people')).json(),
    ])
    expect(after).toBe(before)
    await theirs.dispose()
  })
})

test('the database gives a connection that says no household nothing, of any table', async () => {
  const pool = new Pool({ connectionString: process.env.DATABASE_URL, max: 1 })
  const client = await pool.connect()
  try {
    const { rows: tables } = await client.query<{ name: string }>(
      `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
    )
    expect(tables.length).toBeGreaterThan(12)
    const { rows: ours } = await client.query<{ id: string }>(`select id from households where id <> $1 limit 1`, [
      DEMO_HOUSEHOLD,
    ])
    await client.query(`set role bivvet_app`)
    const seen = async (household: string | null) => {
      await client.query(`select set_config('bivvet.household', $1, false)`, [household ?? ''])
      const found: Record<string, number> = {}
      for (const { name } of tables) {
        const { rows } = await client.query<{ n: number }>(`select count(*)::int as n from "${name}"`)
        found[name] = rows[0]!.n
      }
      return found
    }
    // A table that is added without row security fails this.
    expect(Object.values(await seen(null)).every((n) => n === 0)).toBe(true)
    const demo = await seen(DEMO_HOUSEHOLD)
    expect(demo.households).toBe(1)
    expect(demo.runs).toBeGreaterThanOrEqual(60)
    // What is asked before it is known who comes shows a household nothing at all.
    const OF_NO_HOUSEHOLD = ['challenges', 'tries']
    expect(OF_NO_HOUSEHOLD.map((name) => demo[name])).toEqual([0, 0])
    for (const { name } of tables.filter(({ name: table }) => !['households', ...OF_NO_HOUSEHOLD].includes(table))) {
      const { rows } = await client.query<{ n: number }>(
        `select count(*)::int as n from "${name}" where household_id = $1`,
        [ours[0]!.id],
      )
      expect(rows[0]!.n, name).toBe(0)
    }
    await expect(
      client.query(`insert into members (household_id, name) values ($1, 'Nobody')`, [ours[0]!.id]),
    ).rejects.toThrow(/row-level security/)
    expect(
      (await client.query(`update documents set content = '{}' where household_id = $1`, [ours[0]!.id])).rowCount,
    ).toBe(0)
  } finally {
    client.release(true)
    await pool.end()
  }
})

test('over https the cookie belongs to this host alone, and the browser stays with https', async ({
  request,
  baseURL,
}) => {
  const made = (await (await request.post('/api/people/invites', { data: {} })).json()) as { token: string }
  const join = await fetch(`${baseURL}/api/auth/invites/${made.token}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-forwarded-proto': 'https' },
    body: JSON.stringify({ name: 'Second cook' }),
  })
  expect(join.status).toBe(204)
  expect(join.headers.get('strict-transport-security')).toMatch(/max-age=\d{8}/)
  const cookies = join.headers.getSetCookie().filter((one) => !/max-age=0|expires=Thu, 01 Jan 1970/i.test(one))
  expect(cookies.map((one) => one.split('=')[0])).toEqual(['__Host-bivvet'])
  expect(cookies[0]).toMatch(/; Secure/i)
  expect(cookies[0]).toMatch(/; Path=\//i)
  expect(cookies[0]).not.toMatch(/domain=/i)
  const cookie = cookies[0]!.split(';')[0]!
  const ask = (headers: Record<string, string>) =>
    fetch(`${baseURL}/api/household`, { headers: { cookie, ...headers } })
  expect((await (await ask({ 'x-forwarded-proto': 'https' })).json()).member.name).toBe('Second cook')
})

test('an uploaded file is looked at before it adds anything', async ({ page, baseURL }) => {
  const demo = await newcomer(baseURL)
  const zip = await (await demo.get('/api/household/archive')).body()
  await demo.dispose()
  await page.goto('/kitchen/people')
  const upload = () =>
    page
      .getByLabel('Upload such a file')
      .setInputFiles({ name: 'household.zip', mimeType: 'application/zip', buffer: zip })
  await upload()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText(/It would add .*\d+ dishes/, { timeout: 60_000 })
  await expect(dialog).toContainText('What you have here already stays as it is.')
  await expectAccessible(page, 'all', '[role=dialog]')
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  await expect(dialog).toBeHidden()
  expect(await (await page.request.get('/api/documents/dish')).json()).toEqual([])
  await upload()
  await dialog.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText(/^Added: .*\d+ dishes/)).toBeVisible({ timeout: 60_000 })
  expect((await (await page.request.get('/api/documents/dish')).json()).length).toBeGreaterThan(3)
})

test('what a dish and the kitchen were before a change is had back', async ({ page, request }) => {
  const id = await keepDish(request)
  const change = (version: number, name: string) =>
    request.put(`/api/documents/dish/${id}`, { data: { version, content: beansDocument({ name }) } })
  expect((await change(1, 'Beans, second thought')).ok()).toBe(true)
  // Sent twice it was changed once.
  expect((await change(1, 'Beans, second thought')).ok()).toBe(true)
  expect((await change(2, 'Beans, third thought')).ok()).toBe(true)
  const before = (await (await request.get(`/api/documents/dish/${id}/versions`)).json()) as {
    version: number
    name: string
  }[]
  expect(before.map(({ version, name }) => [version, name])).toEqual([
    [2, 'Beans, second thought'],
    [1, beansDocument().name],
  ])
  await page.goto(`/dishes/${id}`)
  await expect(page.getByLabel('Name of the dish')).toHaveValue('Beans, third thought')
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Earlier versions' }).click()
  await page.getByRole('button', { name: 'Take it again' }).first().click()
  await expect(page.getByLabel('Name of the dish')).toHaveValue('Beans, second thought')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Name of the dish')).toHaveValue('Beans, third thought')

  const { version, content: kitchen } = await (await request.get('/api/documents/kitchen/own')).json()
  const renamed = { version, content: { ...kitchen, name: 'Renamed' } }
  expect((await request.put('/api/documents/kitchen/own', { data: renamed })).ok()).toBe(true)
  await page.goto('/kitchen/people')
  await page.getByRole('button', { name: 'Earlier versions of the kitchen' }).click()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take it again' }).first().click()
  await expect(page.getByRole('heading', { name: kitchen.name })).toBeVisible()
})

test('what a pot, a dinner and what is kept were before a change is had back, and what was done stays done', async ({
  page,
  request,
}) => {
  const [kept] = (await (await request.get('/api/documents/pot')).json()) as {
    content: { name: string; items: { amount: string }[] }
  }[]
  const id = randomUUID()
  const potOf = (amount: string) => ({ ...kept!.content, items: [{ ...kept!.content.items[0]!, amount }] })
  for (const [version, amount] of [
    [0, '2'],
    [1, '3'],
  ] as const) {
    const data = { version, name: 'Ours', content: potOf(amount) }
    expect((await request.put(`/api/documents/pot/${id}`, { data })).ok()).toBe(true)
  }
  await page.goto(`/pot/${id}`)
  await expect(page.getByLabel('Dry amount')).toHaveValue('3')
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Earlier versions' }).click()
  // What was in it tells one from the next.
  await expect(page.getByRole('listitem').filter({ hasText: 'as it was' })).toContainText(/Ours · \d+ g \w+/)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take it again' }).click()
  await expect(page.getByLabel('Dry amount')).toHaveValue('2')
  await page.getByRole('button', { name: 'Save the change' }).click()
  await expect
    .poll(async () => (await (await request.get(`/api/documents/pot/${id}`)).json()).content.items[0].amount)
    .toBe('2')

  const mealId = randomUUID()
  const meal = newMeal(Date.now() + 7_200_000)
  const begun = { 'A.one': { at: Date.now(), doneAt: Date.now() } }
  for (const [version, hands, done] of [
    [0, 1, {}],
    [1, 2, begun],
  ] as const) {
    const data = { version, content: { ...meal, hands, begun: done } }
    expect((await request.put(`/api/documents/meal/${mealId}`, { data })).ok()).toBe(true)
  }
  await page.goto('/')
  await page.getByRole('button', { name: 'Earlier versions' }).click()
  await page.getByRole('button', { name: 'Take it again' }).click()
  await expect
    .poll(async () => {
      const { content: meal } = (await (await request.get(`/api/documents/meal/${mealId}`)).json()) as KeptMeal
      return [meal.hands, Object.keys(meal.begun)]
    })
    .toEqual([1, ['A.one']])

  const portion: Portion = {
    shape: PORTION_SHAPE,
    name: 'Pinto beans, a batch',
    place: 'freezer',
    keptOn: '2026-11-16',
    until: '2099-02-14',
    left: 3,
    portionG: 500,
    food: null,
    water: 0.6,
    salt: 0.006,
    fat: 0.01,
    dishId: null,
  }
  const portionId = randomUUID()
  expect(
    (await request.put(`/api/documents/portion/${portionId}`, { data: { version: 0, content: portion } })).ok(),
  ).toBe(true)
  const left = async () =>
    ((await (await request.get(`/api/documents/portion/${portionId}`)).json()) as KeptPortion).content.left
  await page.goto('/larder')
  await page.getByRole('button', { name: 'Take one portion of Pinto beans, a batch' }).click()
  await expect.poll(left).toBe(2)
  await page.getByRole('button', { name: 'Earlier versions of Pinto beans, a batch' }).click()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take it again' }).click()
  await expect.poll(left).toBe(3)
})
