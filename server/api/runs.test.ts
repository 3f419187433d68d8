import { randomUUID } from 'node:crypto'
import { sql } from 'drizzle-orm'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import type { RunEvent, RunEventData } from '../../core/live/event.schema'
import type { KeptKitchen, RunPage, RunWithPlan } from '../../shared/household'
import { BEANS, beansOf } from '../../tests/fixtures'
import { codeOf, serve, useHouseholds, type Browser } from '../../tests/server'

const { household, letIn, aCook, db } = useHouseholds()
const [BLUE_POT, ELECTRIC] = ['0de70000-0000-4000-8000-000000000101', '0de70000-0000-4000-8000-000000000103']

const event = (data: RunEventData, at = Date.now()): RunEvent => ({ id: randomUUID(), at, data })

const planOf = (id: string) => ({ id, name: 'Beans', cookerId: BLUE_POT, request: BEANS })
async function savedPlan(cook: Browser) {
  const id = randomUUID()
  expect((await cook.ask('POST', '/api/plans', planOf(id))).status).toBe(201)
  return id
}

/** Keeps a plan and starts a run of it. */
async function startRun(cook: Browser, { name = 'Beans', request = BEANS, cookerId = BLUE_POT } = {}) {
  const [planId, runId] = [randomUUID(), randomUUID()]
  expect((await cook.ask('POST', '/api/plans', { id: planId, name, cookerId, request })).status).toBe(201)
  expect((await cook.ask('POST', '/api/runs', { id: runId, planId })).status).toBe(201)
  return { planId, runId }
}
const read = async (cook: Browser, runId: string) => (await cook.ask<RunWithPlan>('GET', `/api/runs/${runId}`)).body
const say = (cook: Browser, runId: string, said: unknown) => cook.ask('POST', `/api/runs/${runId}/events`, said)
const judge = (cook: Browser, runId: string, change: object = {}) =>
  cook.ask<RunWithPlan>('PUT', `/api/runs/${runId}/verdict`, {
    ...{ content: 0, foodId: 'navy-bean', texture: 0, water: 0 },
    ...change,
  })

describe('a plan', () => {
  it('is answered as on the command line', async () => {
    const cook = await aCook()
    const { status, body } = await cook.ask('POST', '/api/plan', BEANS)
    expect(status).toBe(200)
    expect(body).toMatchObject({
      closings: [{ water: { rule: 'balance' } }],
      water: { rule: 'balance' },
      release: { kind: 'natural' },
    })
  })

  it.each<[string, unknown, number, string]>([
    ['is broken off', '{', 400, 'not-json'],
    ['asks for nothing', {}, 400, 'wrong-shape'],
    ['is a list', [], 422, 'wrong-shape'],
    ['is of no food', beansOf({ food: 'gravel' }), 422, 'unknown-food'],
    ['is of less than nothing', beansOf({ dryG: -3 }), 422, 'amount-out-of-range'],
    ['looks like kilograms', beansOf({ dryG: 0.3 }), 422, 'amount-looks-like-kg'],
    ['is too large', `{"filler": "${'x'.repeat(300_000)}"}`, 413, 'too-large'],
    ['is nested without end', `{"name":${'['.repeat(9000)}${']'.repeat(9000)}}`, 400, 'nested-too-deep'],
    ['holds what no database holds', '{"name":"a\\u0000"}', 422, 'not-text'],
  ])('that %s is refused, with the reason', async (_, asked, status, code) => {
    const answer = await (await aCook()).ask<{ problems: { message: string }[] }>('POST', '/api/plan', asked)
    expect([answer.status, codeOf(answer)]).toEqual([status, code])
    for (const { message } of answer.body.problems) expect(message).not.toBe('')
  })

  it('is kept once under its id, which stands for no other plan, of this household or another', async () => {
    const [cook, neighbour] = [await aCook(), await aCook()]
    const id = randomUUID()
    const keep = (by: Browser, request: object, name = 'Beans') =>
      by.ask('POST', '/api/plans', { id, name, cookerId: BLUE_POT, request })
    for (let i = 0; i < 2; i++) expect((await keep(cook, BEANS)).status).toBe(201)
    for (const [by, request] of [
      [cook, beansOf({ dryG: 200 })],
      [neighbour, BEANS],
    ] as const) {
      const taken = await keep(by, request, 'Taken')
      expect([taken.status, codeOf(taken)]).toEqual([409, 'id-taken'])
    }
    expect((await cook.ask('GET', `/api/plans/${id}`)).body).toMatchObject({ name: 'Beans' })
    expect((await neighbour.ask('GET', `/api/plans/${id}`)).status).toBe(404)
  })

  it('is one of a thousand a day at most', async () => {
    const cook = await aCook()
    const id = await savedPlan(cook)
    const copies = (days: number) =>
      db().execute(sql`
        insert into plans (id, household_id, name, request, answer, version, created_at)
        select gen_random_uuid(), household_id, name, request, '{}', version, now() - make_interval(days => ${days})
        from plans, generate_series(1, 1000) where id = ${id}`)
    await copies(1)
    await savedPlan(cook)
    await copies(0)
    const refused = await cook.ask('POST', '/api/plans', planOf(randomUUID()))
    expect([refused.status, codeOf(refused)]).toEqual([409, 'too-many-plans'])
  })

  it('that is refused cannot be started', async () => {
    const cook = await aCook()
    const planId = randomUUID()
    const tooMuch = { id: planId, name: 'Too much', cookerId: BLUE_POT, request: beansOf({ dryG: 1000 }) }
    expect((await cook.ask('POST', '/api/plans', tooMuch)).status).toBe(201)
    const started = await cook.ask('POST', '/api/runs', { id: randomUUID(), planId })
    expect([started.status, codeOf(started)]).toEqual([422, 'plan-refused'])
    expect((await cook.ask<RunPage>('GET', '/api/runs')).body.runs).toEqual([])
  })
})

describe('a run', () => {
  it('is started once, though sent twice', async () => {
    const cook = await aCook()
    const { planId, runId } = await startRun(cook)
    expect((await cook.ask('POST', '/api/runs', { id: runId, planId })).status).toBe(201)
    expect((await cook.ask<RunPage>('GET', '/api/runs')).body.runs.map(({ id }) => id)).toEqual([runId])
    // Its id stands for no other run.
    const other = await startRun(cook)
    const taken = await cook.ask('POST', '/api/runs', { id: runId, planId: other.planId })
    expect([taken.status, codeOf(taken)]).toEqual([409, 'id-taken'])
  })

  it('counts an event once; out of turn it is refused and nothing is written', async () => {
    const cook = await aCook()
    const { runId } = await startRun(cook)
    const early = await say(cook, runId, event({ kind: 'whistle' }))
    expect([early.status, codeOf(early)]).toEqual([409, 'not-lit'])
    const lit = event({ kind: 'lit' })
    for (let i = 0; i < 3; i++) expect((await say(cook, runId, lit)).status).toBe(200)
    // The same whistle from many sides at once.
    const whistle = event({ kind: 'whistle' })
    const answers = await Promise.all(Array.from({ length: 8 }, () => say(cook, runId, whistle)))
    expect(answers.map(({ status }) => status)).toEqual(Array(8).fill(200))
    const opened = await say(cook, runId, event({ kind: 'opened' }))
    expect([opened.status, codeOf(opened)]).toEqual([409, 'pressure-not-gone'])
    expect((await say(cook, runId, { ...event({ kind: 'heat-off' }), id: whistle.id })).status).toBe(409)
    expect((await say(cook, runId, { id: 'nonsense', at: 3, data: { kind: 'sing' } })).status).toBe(422)
    const before = await say(cook, runId, event({ kind: 'whistle' }, Date.UTC(1999, 11, 31)))
    expect([before.status, codeOf(before)]).toEqual([422, 'before-the-program'])
    expect((await read(cook, runId)).events.map(({ id }) => id)).toEqual([lit.id, whistle.id])
  })

  it('says which cooker it was in, also when that is gone from the kitchen', async () => {
    const cook = await aCook()
    const { runId } = await startRun(cook)
    const { version, content } = (await cook.ask<KeptKitchen>('GET', '/api/documents/kitchen/own')).body
    const cookers = content.cookers.filter(({ id }) => id !== BLUE_POT)
    const keep = { version, content: { ...content, cookers } }
    expect((await cook.ask('PUT', '/api/documents/kitchen/own', keep)).status).toBe(200)
    expect(await read(cook, runId)).toMatchObject({ plan: { cookerName: 'Blue 5 L' } })
    const planId = randomUUID()
    const inIt = { id: planId, name: 'Beans', cookerId: BLUE_POT, request: BEANS }
    expect((await cook.ask('POST', '/api/plans', inIt)).status).toBe(404)
  })

  it('is called otherwise, by a name that can be one', async () => {
    const cook = await aCook()
    const { runId } = await startRun(cook)
    const call = async (name: string) => (await cook.ask('PUT', `/api/runs/${runId}/name`, { name })).status
    expect([await call('  '), await call('x'.repeat(200)), await call('Beans for Rana')]).toEqual([422, 422, 200])
    expect(await read(cook, runId)).toMatchObject({ name: 'Beans for Rana' })
  })

  it('is judged food by food, and judged anew', async () => {
    const cook = await aCook()
    const { runId } = await startRun(cook)
    for (const wrong of [{ foodId: 'basmati-white' }, { texture: 7 }, { content: 3 }])
      expect((await judge(cook, runId, wrong)).status).toBe(422)
    expect((await judge(cook, runId, { texture: 1, note: 'soft' })).status).toBe(200)
    const { body } = await judge(cook, runId, { water: -1 })
    expect(body.verdicts).toEqual([{ content: 0, foodId: 'navy-bean', texture: 0, water: -1, note: '' }])
    // Two devices at once leave one.
    const both = await Promise.all([judge(cook, runId, { texture: 1 }), judge(cook, runId, { texture: -1 })])
    expect(both.map(({ status }) => status)).toEqual([200, 200])
    expect((await read(cook, runId)).verdicts).toHaveLength(1)
    const { body: table } = await cook.ask<string>('GET', '/api/log?as=csv')
    expect(table.split('\n')[0]).toContain('run,name,lit,cooker,burner,content,food,dryG')
    expect(table).toContain(runId)
  })

  it('is seen and touched by its own household alone', async () => {
    const [cook, neighbour] = [await aCook(), await aCook()]
    const { planId, runId } = await startRun(cook)
    expect((await neighbour.ask('GET', '/api/runs')).body).toEqual({ runs: [], next: null })
    const tries = [
      await neighbour.ask('GET', `/api/runs/${runId}`),
      await neighbour.ask('POST', '/api/runs', { id: randomUUID(), planId }),
      await say(neighbour, runId, event({ kind: 'lit' })),
      await judge(neighbour, runId),
      await neighbour.ask('PUT', `/api/runs/${runId}/name`, { name: 'Theirs' }),
      await neighbour.ask('PATCH', `/api/runs/${runId}`, { teaches: false }),
    ]
    expect(tries.map(({ status }) => status)).toEqual(Array(tries.length).fill(404))
    expect(await read(cook, runId)).toMatchObject({ name: 'Beans', events: [], verdicts: [], teaches: true })
  })
})

describe('the log', () => {
  it('is looked through by name, food, cooker and verdict, and by all of them together', async () => {
    const cook = await aCook()
    const soup = await startRun(cook, { name: 'Soup for Rana' })
    await startRun(cook, {
      name: 'Rice',
      request: beansOf({ food: 'basmati-white', soak: null }),
      cookerId: ELECTRIC,
    })
    const beans = await startRun(cook, { name: 'Beans' })
    await judge(cook, soup.runId, { texture: 1 })
    await judge(cook, beans.runId, { texture: -1 })
    const found = async (asked: Record<string, string>) => {
      const { body } = await cook.ask<RunPage>('GET', `/api/runs?${new URLSearchParams(asked)}`)
      return body.runs.map(({ name }) => name)
    }
    expect(await found({})).toEqual(['Beans', 'Rice', 'Soup for Rana'])
    expect(await found({ name: 'rana' })).toEqual(['Soup for Rana'])
    // What is typed is no pattern.
    expect(await found({ name: '%' })).toEqual([])
    expect(await found({ foods: 'navy-bean' })).toEqual(['Beans', 'Soup for Rana'])
    expect(await found({ foods: 'navy-bean,basmati-white' })).toHaveLength(3)
    expect(await found({ name: 'rana', foods: 'basmati-white' })).toEqual(['Rice', 'Soup for Rana'])
    expect(await found({ cookerId: ELECTRIC })).toEqual(['Rice'])
    expect(await found({ verdict: 'soft' })).toEqual(['Soup for Rana'])
    expect(await found({ verdict: 'hard' })).toEqual(['Beans'])
    expect(await found({ verdict: 'right' })).toEqual([])
    expect(await found({ verdict: 'none' })).toEqual(['Rice'])
    expect(await found({ foods: 'navy-bean', verdict: 'hard', cookerId: BLUE_POT })).toEqual(['Beans'])
    expect(await found({ foods: 'navy-bean', cookerId: ELECTRIC })).toEqual([])
    expect((await cook.ask('GET', '/api/runs?verdict=nice')).status).toBe(422)
  })

  it('holds the runs that somebody has to look after apart', async () => {
    const cook = await aCook()
    const [on, over] = [await startRun(cook), await startRun(cook)]
    const minutesAgo = (minutes: number) => Date.now() - minutes * 60_000
    await say(cook, on.runId, event({ kind: 'lit' }, minutesAgo(90)))
    for (const [kind, minutes] of [
      ['lit', 90],
      ['heat-off', 60],
      ['pressure-gone', 30],
      ['opened', 1],
    ] as const)
      expect((await say(cook, over.runId, event({ kind }, minutesAgo(minutes)))).status).toBe(200)
    const { body } = await cook.ask<RunPage>('GET', '/api/runs?on')
    expect(body.runs.map(({ id }) => id)).toEqual([on.runId])
  })
})

describe('a photograph', () => {
  const REFUSED = expect.stringMatching(/^(not-a-picture|picture-too-large)$/) as unknown
  /** A camera's picture: sideways, and with where it was taken written beside it. */
  const cameraPicture = () =>
    sharp({ create: { width: 1600, height: 1200, channels: 3, background: '#6b4a2f' } })
      .jpeg()
      .withMetadata({ orientation: 6 })
      .withExifMerge({ IFD0: { Make: 'Camera of a cook' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .toBuffer()

  it('is kept small and upright, without where it was taken, until it is removed', async () => {
    const cook = await aCook()
    const { runId } = await startRun(cook)
    const at = `/api/runs/${runId}/photo`
    const put = (data: Buffer) => cook.ask<RunWithPlan>('PUT', at, data, { 'content-type': 'image/jpeg' })
    const picture = await cameraPicture()
    expect(picture.includes('Camera of a cook')).toBe(true)
    const answer = await put(picture)
    expect(answer.status).toBe(200)
    expect(answer.body.photoAt).toBeGreaterThan(0)
    const { bytes } = await cook.ask('GET', at)
    const { width, height, format, exif } = await sharp(bytes).metadata()
    expect({ width, height, format, exif }).toEqual({ width: 720, height: 960, format: 'jpeg', exif: undefined })
    expect(bytes.includes('Camera of a cook')).toBe(false)
    expect(bytes.length).toBeLessThan(150_000)

    // A picture that claims to be vast, one that was cut off, a drawing that could hold anything, and no picture.
    const vast = await sharp({ create: { width: 1, height: 1, channels: 3, background: '#fff' } })
      .png()
      .toBuffer()
    vast.writeUInt32BE(60_000, 16)
    vast.writeUInt32BE(60_000, 20)
    const drawing = '<svg xmlns="http://www.w3.org/2000/svg"><rect width="9" height="9"/></svg>'
    for (const broken of [vast, picture.subarray(0, 700), drawing, 'no picture', ''])
      expect(await put(Buffer.from(broken))).toMatchObject({ status: 422, body: { problems: [{ code: REFUSED }] } })
    expect((await put(Buffer.alloc(9 * 1024 * 1024, 7))).status).toBe(413)
    expect((await cook.ask('GET', at)).bytes.equals(bytes)).toBe(true)
    expect((await cook.ask('DELETE', at)).status).toBeLessThan(300)
    expect((await cook.ask('GET', at)).status).toBe(404)
  })

  it('is of a run of the household, and a small one stays as large as it is', async () => {
    const browser = await serve()
    const [cook, stranger] = [browser(), browser()]
    await letIn(cook, await household())
    const { runId } = await startRun(cook)
    const small = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#fff' } })
      .webp()
      .toBuffer()
    const put = (by: Browser, id: string) =>
      by.ask('PUT', `/api/runs/${id}/photo`, small, { 'content-type': 'image/webp' })
    expect((await put(stranger, runId)).status).toBe(401)
    expect((await put(cook, randomUUID())).status).toBe(404)
    expect((await put(cook, runId)).status).toBe(200)
    const { bytes } = await cook.ask('GET', `/api/runs/${runId}/photo`)
    expect(await sharp(bytes).metadata()).toMatchObject({ width: 300, height: 200, format: 'jpeg' })
  })
})
