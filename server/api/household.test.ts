import { randomUUID } from 'node:crypto'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import type { PlanRequest } from '../../core/program/request.schema'
import type { KeptKitchen, RunPage } from '../../shared/household'
import type { Kitchen } from '../../shared/kitchen.schema'
import { newMeal } from '../../shared/meal'
import { beansWithSquash } from '../../tests/dishes'
import { BEANS } from '../../tests/fixtures'
import { codeOf, serve, useHouseholds, type Browser } from '../../tests/server'

const { aCook } = useHouseholds()
const KITCHEN = '/api/documents/kitchen/own'

async function bare(cook: Browser) {
  const { version, content } = (await cook.ask<KeptKitchen>('GET', KITCHEN)).body
  const nothing = { cookers: [], burners: [], measures: [], tins: [], foods: [], bags: [] }
  expect((await cook.ask('PUT', KITCHEN, { version, content: { ...content, ...nothing } })).status).toBe(200)
}

describe('a household as a file', () => {
  const ZIP = { 'content-type': 'application/zip' }
  const bring = (cook: Browser, data: Uint8Array, query = '') =>
    cook.ask<{ added: Record<string, unknown> }>('POST', `/api/household/archive${query}`, data, ZIP)

  it('goes out as a whole and into an empty one, once', async () => {
    const cook = await aCook()
    const dish = { version: 0, favourite: false, content: { shape: 1, ...beansWithSquash() } }
    await cook.ask('PUT', `/api/documents/dish/${randomUUID()}`, dish)
    const [planId, runId] = [randomUUID(), randomUUID()]
    const { cookers } = (await cook.ask<KeptKitchen>('GET', KITCHEN)).body.content
    await cook.ask('POST', '/api/plans', { id: planId, name: 'Beans', cookerId: cookers[0]!.id, request: BEANS })
    expect((await cook.ask('POST', '/api/runs', { id: runId, planId })).status).toBe(201)
    const lit = { id: randomUUID(), at: Date.now() - 60_000, data: { kind: 'lit' } }
    expect((await cook.ask('POST', `/api/runs/${runId}/events`, lit)).status).toBe(200)

    const { bytes: zip, headers } = await cook.ask('GET', '/api/household/archive')
    expect(headers.get('content-type')).toBe('application/zip')
    const files = unzipSync(zip)
    expect(Object.keys(files).sort()).toEqual(['household.json', 'log.csv'])
    const archive = JSON.parse(strFromU8(files['household.json']!)) as {
      kitchen: Kitchen
      dishes: { content: object }[]
      log: { runs: { request: PlanRequest }[] }
    }
    expect([archive.dishes.length, archive.log.runs.length]).toEqual([1, 1])

    const empty = await aCook()
    await bare(empty)
    const broken = { ...archive, dishes: [{ ...archive.dishes[0], content: { shape: 1, name: 7 } }] }
    for (const [bad, code] of [
      [zipSync({ 'household.json': strToU8(JSON.stringify(broken)) }), 'unreadable-document'],
      [zipSync({ 'household.json': strToU8('{') }), 'not-an-archive'],
      [zipSync({ 'elsewhere.txt': strToU8('nothing') }), 'not-an-archive'],
      [strToU8('no zip'), 'not-an-archive'],
      [zip.subarray(0, zip.length / 2), 'not-an-archive'],
    ] as const) {
      const answer = await bring(empty, bad)
      expect([answer.status, codeOf(answer)]).toEqual([422, code])
    }
    // A pot that cannot be planned is told by its place.
    const runs = archive.log.runs.map((run) => ({ ...run, request: { ...run.request, cooker: 'no-such-cooker' } }))
    const strange = zipSync({
      'household.json': strToU8(JSON.stringify({ ...archive, log: { ...archive.log, runs } })),
    })
    const unplanned = await empty.ask<{ problems: { path: string }[] }>('POST', '/api/household/archive', strange, ZIP)
    expect([unplanned.status, unplanned.body.problems[0]!.path]).toEqual([422, 'log.runs.0.request.cooker'])
    // Looked at first, nothing is written.
    const { added } = (await bring(empty, zip, '?check')).body
    expect(added).toMatchObject({ kitchen: { name: archive.kitchen.name }, dishes: 1, runs: 1 })
    expect((await empty.ask('GET', '/api/documents/dish')).body).toEqual([])
    expect((await empty.ask<KeptKitchen>('GET', KITCHEN)).body.content.cookers).toEqual([])
    // The kitchen that is here may stay.
    expect((await bring(empty, zip, '?check&kitchen=stays')).body.added.kitchen).toBeNull()

    expect(await bring(empty, zip)).toMatchObject({ status: 200, body: { added } })
    expect((await empty.ask<KeptKitchen>('GET', KITCHEN)).body.content).toEqual(archive.kitchen)
    expect((await empty.ask<RunPage>('GET', '/api/runs')).body.runs).toHaveLength(1)
    expect((await empty.ask<unknown[]>('GET', '/api/documents/dish')).body).toHaveLength(1)
    const again = (await bring(empty, zip)).body.added
    expect(Object.values(again).filter(Boolean)).toEqual([])
  })
})

describe('a guest’s link', () => {
  it('shows one dinner to whoever has it, and lets nobody in', async () => {
    const cook = await aCook()
    const mealId = randomUUID()
    const servedAt = Date.now() + 7_200_000
    await cook.ask('PUT', `/api/documents/meal/${mealId}`, { version: 0, content: newMeal(servedAt) })
    expect((await cook.ask('POST', '/api/people/invites', { mealId: randomUUID() })).status).toBe(404)
    const made = await cook.ask<{ token: string }>('POST', '/api/people/invites', { mealId })
    expect(made.status).toBe(201)
    const guest = (await serve())()
    const { token } = made.body
    expect(await guest.ask('GET', `/api/guest/${token}`)).toMatchObject({ status: 200, body: { servedAt, dishes: [] } })
    expect((await guest.ask('GET', `/api/auth/invites/${token}`)).status).toBe(404)
    expect((await guest.ask('POST', `/api/auth/invites/${token}`, { name: 'Guest' })).status).toBe(404)
    expect((await guest.ask('GET', KITCHEN)).status).toBe(401)
    expect((await guest.ask('GET', '/api/guest/another')).status).toBe(404)
    // With the dinner it is gone.
    await cook.ask('DELETE', `/api/documents/meal/${mealId}`)
    expect((await guest.ask('GET', `/api/guest/${token}`)).status).toBe(404)
  })
})

describe('a log as a file', () => {
  it('keeps what speaks of a whistle with that whistle, though all have other ids in another household', async () => {
    const [cook, other] = [await aCook(), await aCook()]
    const [planId, runId] = [randomUUID(), randomUUID()]
    const { cookers } = (await cook.ask<KeptKitchen>('GET', KITCHEN)).body.content
    await cook.ask('POST', '/api/plans', { id: planId, name: 'Beans', cookerId: cookers[0]!.id, request: BEANS })
    await cook.ask('POST', '/api/runs', { id: runId, planId })
    const [first, second] = [randomUUID(), randomUUID()]
    for (const [id, minutes, data] of [
      [randomUUID(), 30, { kind: 'lit' }],
      [first, 18, { kind: 'whistle' }],
      [second, 14, { kind: 'whistle' }],
      [randomUUID(), 13, { kind: 'no-whistle', of: second }],
      [randomUUID(), 12, { kind: 'whistle-stands', of: first }],
      [randomUUID(), 11, { kind: 'none-missed', before: first }],
    ] as const) {
      const event = { id, at: Date.now() - minutes * 60_000, data }
      expect((await cook.ask('POST', `/api/runs/${runId}/events`, event)).status).toBe(200)
    }
    const { body: file } = await cook.ask<object>('GET', '/api/log')
    expect(await other.ask('POST', '/api/log', file)).toMatchObject({ status: 200, body: { added: 1 } })
    const [there] = (await other.ask<RunPage>('GET', '/api/runs')).body.runs
    const whistles = there!.events.filter(({ data }) => data.kind === 'whistle').map(({ id }) => id)
    expect(whistles).toHaveLength(2)
    expect(whistles).not.toContain(first)
    const spokenOf = there!.events.flatMap(({ data }) =>
      'of' in data ? [data.of] : 'before' in data ? [data.before] : [],
    )
    expect(spokenOf).toEqual([whistles[1], whistles[0], whistles[0]])
  })
})

describe('what a log has taught', () => {
  it('holds what the last pot said at once, but not of one that is not to teach or was lifted early', async () => {
    const cook = await aCook()
    const lit = Date.now() - 4 * 3_600_000
    const at = (minute: number) => lit + minute * 60_000
    const { body: kitchen } = await cook.ask<KeptKitchen>('GET', KITCHEN)
    const [cooker] = kitchen.content.cookers
    const run = {
      id: 'one',
      cooker: cooker!.id,
      burner: kitchen.content.burners[0]!.id,
      request: BEANS,
      events: [
        { at: at(0), data: { kind: 'lit' } },
        ...Array.from({ length: 8 }, (_, i) => ({ at: at(11 + 4 * i), data: { kind: 'whistle' } })),
        { at: at(42), data: { kind: 'heat-off' } },
        { at: at(70), data: { kind: 'opened' } },
      ],
      verdicts: [{ content: 0, foodId: 'navy-bean', texture: -1, water: 0, note: '' }],
    }
    expect(await cook.ask('POST', '/api/log', { runs: [run] })).toMatchObject({
      status: 200,
      body: { added: 1, of: 1 },
    })
    expect(await cook.ask('POST', '/api/log', { runs: [run] })).toMatchObject({
      status: 200,
      body: { added: 0, of: 1 },
    })
    type Learnt = { sums: unknown; pending: number; runs: Record<string, { foods: string[] }>; figures?: unknown[] }
    const learnt = async () => (await cook.ask<Learnt>('GET', '/api/learnt/figures')).body
    const first = await learnt()
    expect(first.pending).toBe(0)
    expect(Object.values(first.runs)).toMatchObject([{ foods: ['navy-bean'] }])
    expect((await cook.ask<Learnt>('GET', '/api/learnt')).body).toEqual({ sums: first.sums, pending: 0 })
    const { runs } = (await cook.ask<RunPage>('GET', '/api/runs')).body
    expect((await cook.ask('PATCH', `/api/runs/${runs[0]!.id}`, { teaches: false })).status).toBe(200)
    expect((await learnt()).sums).not.toEqual(first.sums)
    expect((await cook.ask('PATCH', `/api/runs/${runs[0]!.id}`, { teaches: true })).status).toBe(200)
    expect((await learnt()).sums).toEqual(first.sums)
    // Of a pot that was lifted before its time nobody knows what it got.
    expect((await cook.ask('PATCH', `/api/runs/${runs[0]!.id}`, { remarks: ['lifted-early'] })).status).toBe(200)
    expect((await learnt()).sums).not.toEqual(first.sums)
    expect((await cook.ask('POST', '/api/learnt/forget', { figures: ['nothing'] })).status).toBe(404)
  })
})
