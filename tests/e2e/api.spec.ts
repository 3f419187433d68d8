import { randomUUID } from 'node:crypto'
import { expect, type APIRequestContext, type APIResponse } from '@playwright/test'
import type { KeptKitchen, RunPage } from '../../shared/household'
import { beansRequest, BLUE_POT, event, join, newcomer, newHousehold, startRun, test } from './kitchen'

async function problemsOf(response: APIResponse) {
  const { problems } = (await response.json()) as { problems: { path: string; code: string; message: string }[] }
  expect(problems.length).toBeGreaterThan(0)
  for (const { message } of problems) expect(message).not.toBe('')
  return problems
}

test('a plan request is answered as on the command line', async ({ request }) => {
  const response = await request.post('/api/plan', { data: beansRequest() })
  expect(response.status()).toBe(200)
  expect(await response.json()).toMatchObject({
    closings: [{ water: { rule: 'balance' } }],
    water: { rule: 'balance' },
    release: { kind: 'natural' },
  })
})

test('bad bodies get a 4xx with reasons', async ({ request }) => {
  const post = (data: unknown) =>
    request.post('/api/plan', {
      data: Buffer.from(typeof data === 'string' ? data : JSON.stringify(data)),
      headers: { 'content-type': 'application/json' },
    })
  const cases: [unknown, number, string][] = [
    ['{', 400, 'not-json'],
    [[], 422, 'wrong-shape'],
    [beansRequest({ food: 'gravel' }), 422, 'unknown-food'],
    [beansRequest({ dryG: -3 }), 422, 'amount-out-of-range'],
    [beansRequest({ dryG: 0.3 }), 422, 'amount-looks-like-kg'],
    [`{"filler": "${'x'.repeat(300_000)}"}`, 413, 'too-large'],
  ]
  for (const [data, status, code] of cases) {
    const response = await post(data)
    expect(response.status()).toBe(status)
    expect((await problemsOf(response))[0]!.code).toBe(code)
  }
  const missing = await request.get('/api/nothing-here')
  expect(missing.status()).toBe(404)
  await problemsOf(missing)
})

test('saving and starting twice stores once', async ({ request }) => {
  const { planId, runId } = await startRun(request)
  const again = await request.post('/api/runs', { data: { id: runId, planId } })
  expect(again.status()).toBe(201)
  const { runs } = (await (await request.get('/api/runs')).json()) as RunPage
  expect(runs.filter(({ id }) => id === runId)).toHaveLength(1)
})

test('a plan that is refused cannot be started', async ({ request }) => {
  const planId = randomUUID()
  const saved = await request.post('/api/plans', {
    data: { id: planId, name: 'Too much', cookerId: BLUE_POT, request: beansRequest({ dryG: 1000 }) },
  })
  expect(saved.status()).toBe(201)
  const started = await request.post('/api/runs', { data: { id: randomUUID(), planId } })
  expect(started.status()).toBe(422)
  expect((await problemsOf(started))[0]!.code).toBe('plan-refused')
})

test('an event twice counts once; out of turn it is refused and nothing is written', async ({ request }) => {
  const { runId } = await startRun(request)
  const send = (data: unknown) => request.post(`/api/runs/${runId}/events`, { data })
  const early = await send(event({ kind: 'whistle' }))
  expect(early.status()).toBe(409)
  expect((await problemsOf(early))[0]!.code).toBe('not-lit')

  const lit = event({ kind: 'lit' })
  for (let i = 0; i < 3; i++) expect((await send(lit)).status()).toBe(200)
  // The same whistle from many sides at once.
  const whistle = event({ kind: 'whistle' })
  const answers = await Promise.all(Array.from({ length: 8 }, () => send(whistle)))
  expect(answers.map((answer) => answer.status())).toEqual(Array(8).fill(200))

  const opened = await send(event({ kind: 'opened' }))
  expect(opened.status()).toBe(409)
  expect((await problemsOf(opened))[0]!.code).toBe('pressure-not-gone')
  const reused = await send({ ...event({ kind: 'heat-off' }), id: whistle.id })
  expect(reused.status()).toBe(409)
  expect((await send({ id: 'nonsense', at: 3, data: { kind: 'sing' } })).status()).toBe(422)

  const { events } = (await (await request.get(`/api/runs/${runId}`)).json()) as { events: { id: string }[] }
  expect(events.map(({ id }) => id)).toEqual([lit.id, whistle.id])
})

test('a run is called otherwise, by a name that can be one', async ({ request }) => {
  const { runId } = await startRun(request)
  const call = (data: unknown) => request.put(`/api/runs/${runId}/name`, { data })
  expect((await call({ name: '  ' })).status()).toBe(422)
  expect((await call({ name: 'x'.repeat(200) })).status()).toBe(422)
  expect((await call({ name: 'Beans for Rana' })).status()).toBe(200)
  expect(await (await request.get(`/api/runs/${runId}`)).json()).toMatchObject({ name: 'Beans for Rana' })
})

test('a verdict is of a food that was in the pot, and can be changed', async ({ request }) => {
  const { runId } = await startRun(request)
  const judge = (data: unknown) => request.put(`/api/runs/${runId}/verdict`, { data })
  expect((await judge({ content: 0, foodId: 'basmati-white', texture: 0, water: 0 })).status()).toBe(422)
  expect((await judge({ content: 0, foodId: 'navy-bean', texture: 7, water: 0 })).status()).toBe(422)
  expect((await judge({ content: 0, foodId: 'navy-bean', texture: 1, water: 0, note: 'soft' })).status()).toBe(200)
  const changed = (await (await judge({ content: 0, foodId: 'navy-bean', texture: 0, water: -1 })).json()) as {
    verdicts: unknown[]
  }
  expect(changed.verdicts).toEqual([{ content: 0, foodId: 'navy-bean', texture: 0, water: -1, note: '' }])
})

test.describe('the kitchen as a document', () => {
  const read = async (request: APIRequestContext) =>
    (await (await request.get('/api/documents/kitchen/own')).json()) as KeptKitchen
  const keep = (request: APIRequestContext, { version, content }: KeptKitchen, change: object) =>
    request.put('/api/documents/kitchen/own', { data: { version, content: { ...content, ...change } } })

  test('is kept as a whole, and not over another device’s change', async ({ request }) => {
    const before = await read(request)
    const measures = [...before.content.measures, { id: randomUUID(), name: 'Tea glass', volumeMl: 110 }]
    expect((await keep(request, before, { measures })).status()).toBe(200)
    expect((await read(request)).content.measures.map(({ name }) => name)).toContain('Tea glass')
    const stale = await keep(request, before, { name: 'Overwritten' })
    expect(stale.status()).toBe(409)
    expect((await problemsOf(stale))[0]!.code).toBe('changed-elsewhere')
    // Both can be shown side by side: what stands is in the answer.
    const { now } = (await stale.json()) as { now: KeptKitchen }
    expect(now).toEqual(await read(request))
    expect(now.content.name).toBe(before.content.name)
  })

  test('keeps what was cooked in a cooker that is gone, and takes it back', async ({ request }) => {
    const { runId } = await startRun(request)
    const before = await read(request)
    const cookers = before.content.cookers.filter(({ id }) => id !== BLUE_POT)
    expect((await keep(request, before, { cookers })).status()).toBe(200)
    expect(await (await request.get(`/api/runs/${runId}`)).json()).toMatchObject({ plan: { cookerName: 'Blue 5 L' } })
    expect((await keep(request, await read(request), before.content)).status()).toBe(200)
    expect((await read(request)).content).toEqual(before.content)
  })

  test('is refused with reasons, and nothing is half-written', async ({ request }) => {
    const before = await read(request)
    const [cooker, ...others] = before.content.cookers
    const crossed = {
      ...cooker!,
      cooker: { ...cooker!.cooker, appliance: { ...cooker!.cooker.appliance, reseatPa: 250_000 } },
    }
    const tries: [object, string][] = [
      [{ altitudeM: 99_999 }, 'content.altitudeM'],
      [{ name: '  ' }, 'content.name'],
      [{ cookers: [crossed, ...others] }, 'content.cookers.0.cooker.appliance.reseatPa'],
      [{ measures: [{ id: randomUUID(), name: 'Nothing', volumeMl: 0 }] }, 'content.measures.0.volumeMl'],
      [{ cookers: Array.from({ length: 31 }, () => cooker) }, 'content.cookers'],
    ]
    for (const [change, path] of tries) {
      const response = await keep(request, before, change)
      expect(response.status()).toBe(422)
      expect((await problemsOf(response)).map((problem) => problem.path)).toContain(path)
    }
    expect(await read(request)).toEqual(before)
  })
})

test('an id that stands for something else is refused, and so are two things with one', async ({ request }) => {
  const id = randomUUID()
  const plan = (asked: object) =>
    request.post('/api/plans', { data: { id, name: 'Beans', cookerId: BLUE_POT, request: asked } })
  expect((await plan(beansRequest())).status()).toBe(201)
  expect((await plan(beansRequest())).status()).toBe(201)
  const other = await plan(beansRequest({ dryG: 200 }))
  expect(other.status()).toBe(409)
  expect((await other.json()).problems[0].code).toBe('id-taken')
  const { version, content: kitchen } = await (await request.get('/api/documents/kitchen/own')).json()
  const [first] = kitchen.burners
  const twice = { version, content: { ...kitchen, burners: [...kitchen.burners, first] } }
  const refused = await request.put('/api/documents/kitchen/own', { data: twice })
  expect(refused.status()).toBe(422)
  expect((await refused.json()).problems[0]).toMatchObject({ path: 'content.burners.2.id', code: 'id-twice' })
})

test.describe('another household', () => {
  let token: string
  test.beforeAll(async () => (token = await newHousehold({ name: 'Next auth', bare: true })))

  test('sees and touches nothing of this one', async ({ request, baseURL }) => {
    const { planId, runId } = await startRun(request)
    const neighbour = await newcomer(baseURL)
    await join(neighbour, token)
    expect(await (await neighbour.get('/api/documents/kitchen/own')).json()).toMatchObject({
      content: { name: 'Next auth', cookers: [] },
    })
    expect(await (await neighbour.get('/api/runs')).json()).toEqual({ runs: [], next: null })

    const tries = [
      await neighbour.get(`/api/plans/${planId}`),
      await neighbour.get(`/api/runs/${runId}`),
      await neighbour.post('/api/runs', { data: { id: randomUUID(), planId } }),
      await neighbour.post(`/api/runs/${runId}/events`, { data: event({ kind: 'lit' }) }),
      await neighbour.put(`/api/runs/${runId}/verdict`, {
        data: { content: 0, foodId: 'navy-bean', texture: 0, water: 0 },
      }),
      await neighbour.post('/api/plans', {
        data: { id: randomUUID(), name: 'Theirs', cookerId: BLUE_POT, request: beansRequest() },
      }),
    ]
    for (const response of tries) {
      expect(response.status()).toBe(404)
      await problemsOf(response)
    }
    expect(((await (await request.get(`/api/runs/${runId}`)).json()) as { events: [] }).events).toEqual([])
    await neighbour.dispose()
  })

  test('cannot take over an id of this one', async ({ request, baseURL }) => {
    const { planId } = await startRun(request)
    const neighbour = await newcomer(baseURL)
    await join(neighbour, await newHousehold({ name: 'Across the road' }))
    const taken = await neighbour.post('/api/plans', {
      data: { id: planId, name: 'Stolen', cookerId: BLUE_POT, request: beansRequest() },
    })
    expect(taken.status()).toBe(409)
    expect(await (await request.get(`/api/plans/${planId}`)).json()).toMatchObject({ name: 'Beans for a test' })
    await neighbour.dispose()
  })

  test('is not opened by a wrong link', async ({ baseURL }) => {
    const stranger = await newcomer(baseURL)
    expect((await stranger.get('/api/auth/invites/wrong')).status()).toBe(404)
    await stranger.dispose()
  })
})
