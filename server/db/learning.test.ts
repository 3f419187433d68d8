import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { learnFrom } from '../../core/learn/log'
import { fitRun } from '../../core/learn/run-fit'
import { plan } from '../../core/program/plan'
import { DEMO_HOUSEHOLD } from '../../scripts/demo-household.mjs'
import { throwAwayDatabase } from '../../scripts/postgres.mjs'
import { databaseOf, openDatabase, type Database } from './client'
import { DEMO_KITCHEN, seedDemo } from './demo'
import { migrateDatabase } from './migrate'
import { askerOfOpen } from './auth'
import { householdStore, type HouseholdStore } from './household'
import { documents, households, members } from './schema'

let cluster: { url: string; stop(): void }
let opened: ReturnType<typeof openDatabase>
let db: Database
let store: HouseholdStore
let other: HouseholdStore
const OTHER = randomUUID()

beforeAll(async () => {
  cluster = await throwAwayDatabase()
  opened = openDatabase(cluster.url)
  db = opened.db
  await migrateDatabase(opened.owner)
  await seedDemo(db)
  await db.insert(households).values({ id: OTHER })
  const kitchen = { kind: 'kitchen', id: OTHER, name: 'Next door', content: DEMO_KITCHEN } as const
  await db.insert(documents).values({ householdId: OTHER, ...kitchen })
  await db.insert(members).values({ householdId: OTHER, name: 'A neighbour' })
  const storeOf = async (householdId: string) =>
    householdStore(databaseOf(householdId, opened.pool), (await askerOfOpen(db, householdId))!)
  store = await storeOf(DEMO_HOUSEHOLD)
  other = await storeOf(OTHER)
})
afterAll(async () => {
  await opened.pool.end()
  cluster.stop()
})

const log = async (of = store) => (await of.kitchenLog(DEMO_KITCHEN)).log
const someRun = async () => (await store.runPage(null)).runs[3]!

describe('the log of a household', () => {
  it('has worked out what each run says, and says the same when it is worked out anew', async () => {
    expect(await store.pending()).toBe(0)
    const found = await log()
    expect(found.runs).toHaveLength(60)
    const run = await someRun()
    const { request, answer } = run.plan
    expect(JSON.parse(JSON.stringify(fitRun({ request, answer }, run.events)))).toEqual(
      found.runs.find(({ id }) => id === run.id)!.fit,
    )
  })

  it('has no run of which nothing can be worked out, and of each of the others its verdicts alone', async () => {
    const { id, events, plan: planned } = await someRun()
    await store.keepFit(id, null, events.length)
    const { runs } = await log()
    expect(runs.some((run) => run.id === id)).toBe(false)
    expect(runs).toHaveLength(59)
    expect(runs.flatMap(({ verdicts }) => verdicts).every(({ texture }) => Number.isInteger(texture))).toBe(true)
    const { request, answer } = planned
    await store.keepFit(id, fitRun({ request, answer }, events), events.length)
    expect((await log()).runs).toHaveLength(60)
  })

  it('works out anew what a run says when something more is told of it', async () => {
    const run = await someRun()
    const at = run.events.find(({ data }) => data.kind === 'heat-off')!.at - 90_000
    const whistle = { id: randomUUID(), at, data: { kind: 'whistle' as const, how: 'recalled' as const } }
    const outcome = await store.addEvent(run.id, whistle, Date.now(), async () => 0)
    expect(outcome.stored).toBe(true)
    expect(await store.pending()).toBe(1)
    const [unfitted] = await store.unfitted()
    expect(unfitted!.id).toBe(run.id)
    const { request, answer } = unfitted!.plan
    await store.keepFit(run.id, fitRun({ request, answer }, unfitted!.events), unfitted!.events.length - 1)
    expect(await store.pending()).toBe(1)
    await store.keepFit(run.id, fitRun({ request, answer }, unfitted!.events), unfitted!.events.length)
    expect(await store.pending()).toBe(0)
  })

  it('counts an edited verdict at once', async () => {
    const run = await someRun()
    // What its food needs in all: of one part of it another run may say more.
    const { food } = run.plan.answer.foods[0]!
    const needs = async () =>
      learnFrom(await log()).of(
        new Map([
          ['taste', 1],
          [`need ${food}`, 1],
        ]),
      ).mean
    const judge = (texture: number) =>
      store.judge(run.id, { content: 0, foodId: run.plan.answer.foods[0]!.food, texture, water: 0, note: '' })
    await judge(1)
    const soft = await needs()
    await judge(-1)
    expect(await needs()).toBeGreaterThan(soft)
  })

  it('leaves out a run that is not to teach, and what was lifted early', async () => {
    const run = await someRun()
    await store.saidOfRun(run.id, { teaches: false })
    expect((await log()).without).toEqual([run.id])
    await store.saidOfRun(run.id, { teaches: true, remarks: ['lifted-early'] })
    const found = await log()
    expect(found.without).toEqual([])
    expect(found.runs.find(({ id }) => id === run.id)!.verdicts).toEqual([])
    expect((await store.run(run.id))!.remarks).toEqual(['lifted-early'])
    await store.saidOfRun(run.id, { remarks: [] })
  })

  it('keeps what came of a dish with its pot, through the file and back', async () => {
    const run = await someRun()
    const cameOut = { massG: 812, servings: 4, keptPortions: 2, place: 'fridge' as const }
    await store.saidOfRun(run.id, { cameOut })
    expect((await store.run(run.id))!.cameOut).toEqual(cameOut)
    // Something else that is said later leaves it as it is.
    await store.saidOfRun(run.id, { remarks: [] })
    expect((await store.run(run.id))!.cameOut).toEqual(cameOut)
    const file = await store.logFile(DEMO_KITCHEN)
    expect(file.runs.find(({ id }) => id === run.id)!.cameOut).toEqual(cameOut)
    await other.saidOfRun(run.id, { cameOut: { ...cameOut, massG: 1 } })
    expect((await store.run(run.id))!.cameOut).toEqual(cameOut)
  })

  it('knows of the kitchen when a bag was bought, a gasket changed, a cooker measured, and how beans are liked', async () => {
    const [first, ...others] = DEMO_KITCHEN.cookers
    const test = { ...first!.tests[0]!, burnerId: DEMO_KITCHEN.burners[0]!.id, at: 1000 }
    const kitchen = {
      ...DEMO_KITCHEN,
      likes: { ...DEMO_KITCHEN.likes, beans: 'soft' as const },
      cookers: [{ ...first!, gaskets: ['2026-05-01', '2026-09-01'], tests: [test] }, ...others],
    }
    const found = (await store.kitchenLog(kitchen)).log
    expect(found.gaskets.filter(({ cookerId }) => cookerId === first!.id).map(({ at }) => at)).toEqual([
      Date.UTC(2026, 4, 1),
      Date.UTC(2026, 8, 1),
    ])
    expect(found.waterTests).toContainEqual({ cookerId: first!.id, burnerId: test.burnerId, at: 1000 })
    expect(found.bags.map(({ id }) => id)).toEqual(DEMO_KITCHEN.bags.map(({ id }) => id))
    expect(found.bags[0]!.boughtAt).toBe(Date.parse(DEMO_KITCHEN.bags[0]!.boughtOn))
    expect(found.beansLiked).toBe('soft')
  })

  it('forgets a figure, and knows it again', async () => {
    await store.forget(['taste'])
    await store.forget(['taste'])
    const { forgotten } = await log()
    expect(forgotten).toEqual([{ figure: 'taste', at: expect.any(Number) }])
    expect(learnFrom(await log()).of(new Map([['taste', 1]]))).toEqual({ mean: 0, sd: 0.2 })
    await store.remember(['taste'])
    expect((await log()).forgotten).toEqual([])
  })

  it('is nobody else’s', async () => {
    expect((await log(other)).runs).toEqual([])
    const run = await someRun()
    await other.saidOfRun(run.id, { teaches: false })
    await other.remember(['taste'])
    await other.keepFit(run.id, null, null)
    expect((await log()).without).toEqual([])
    expect((await log()).runs.some(({ id }) => id === run.id)).toBe(true)
  })

  it('is found by food, name, cooker and verdict', async () => {
    const all = async (filter: Parameters<HouseholdStore['runPage']>[1]) => (await store.runPage(null, filter)).runs
    const barley = await all({ foods: ['pearl-barley'] })
    expect(barley.length).toBeGreaterThan(2)
    expect(barley.every(({ plan: { answer } }) => answer.foods[0]!.food === 'pearl-barley')).toBe(true)
    expect((await all({ name: 'BARLEY' })).map(({ id }) => id)).toEqual(barley.map(({ id }) => id))
    const old = DEMO_KITCHEN.cookers[1]!.id
    expect((await all({ cookerId: old })).every(({ plan: { cookerId } }) => cookerId === old)).toBe(true)
    const hard = await all({ verdict: 'hard' })
    expect(hard.length).toBeGreaterThan(0)
    expect(hard.every(({ verdicts }) => verdicts.some(({ texture }) => texture < 0))).toBe(true)
    expect((await all({ verdict: 'none' })).every(({ verdicts }) => verdicts.length === 0)).toBe(true)
    expect(await all({ name: "'; drop table runs" })).toEqual([])
  })
})

describe('the log as a file', () => {
  it('is read into another household once, with all that happened, and teaches the same there', async () => {
    const file = JSON.parse(JSON.stringify(await store.logFile(DEMO_KITCHEN))) as Awaited<
      ReturnType<HouseholdStore['logFile']>
    >
    expect(file.runs).toHaveLength(60)
    const found = file.runs.map((run) => {
      const answer = plan(run.request, { range: false })
      if (!answer.ok) throw new Error(answer.problems[0]!.code)
      return { run, answer: answer.value }
    })
    expect(await other.addRuns(found, DEMO_KITCHEN)).toBe(60)
    expect(await other.addRuns(found, DEMO_KITCHEN)).toBe(0)
    expect(await store.addRuns(found, DEMO_KITCHEN)).toBe(0)
    const again = await other.logFile(DEMO_KITCHEN)
    expect(again.runs.map(({ events }) => events.map(({ data }) => data.kind))).toEqual(
      file.runs.map(({ events }) => events.map(({ data }) => data.kind)),
    )
    expect(again.runs.map(({ verdicts }) => verdicts)).toEqual(file.runs.map(({ verdicts }) => verdicts))
    for (let left = await other.unfitted(); left.length > 0; left = await other.unfitted())
      for (const { id, plan: kept, events } of left)
        await other.keepFit(id, fitRun({ request: kept.request, answer: kept.answer }, events), events.length)
    const [here, there] = [learnFrom(await log()), learnFrom(await log(other))]
    for (const { id, now } of here.figures) {
      expect(there.of(new Map([[id, 1]])).mean).toBeCloseTo(now.mean, 2)
    }
    // A table in which a name and a verdict were changed.
    const [first, second] = found.map(({ run }) => run)
    const edited = found.map((one) =>
      one.run === first
        ? { ...one, run: { ...first!, name: 'Renamed in a table' } }
        : one.run === second
          ? { ...one, run: { ...second!, verdicts: [{ content: 0, texture: -2, water: 1, note: 'from a table' }] } }
          : one,
    )
    expect(await other.takeEdited(edited, DEMO_KITCHEN)).toEqual({ added: 0, changed: 2 })
    expect(await other.takeEdited(edited, DEMO_KITCHEN)).toEqual({ added: 0, changed: 0 })
    const now = (await other.logFile(DEMO_KITCHEN)).runs
    expect(now.filter(({ name }) => name === 'Renamed in a table')).toHaveLength(1)
    expect(now.filter(({ verdicts }) => verdicts?.some(({ note }) => note === 'from a table'))).toHaveLength(1)
    // The household that it came from is as it was.
    expect((await store.logFile(DEMO_KITCHEN)).runs.some(({ name }) => name === 'Renamed in a table')).toBe(false)
  })
})
