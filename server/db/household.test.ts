import { randomUUID } from 'node:crypto'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { RunEvent, RunEventData } from '../../core/live/event.schema'
import { plan } from '../../core/program/plan'
import type { PlanRequest } from '../../core/program/request.schema'
import type { KeptDish } from '../../shared/household'
import { newMeal } from '../../shared/meal'
import { mealTask } from '../../tests/meals'
import { USUAL_LIKES, type Kitchen } from '../../shared/kitchen'
import { DEMO_HOUSEHOLD } from '../../scripts/demo-household.mjs'
import { throwAwayDatabase } from '../../scripts/postgres.mjs'
import { databaseOf, openDatabase, type Database } from './client'
import { seedDemo } from './demo'
import { migrateDatabase } from './migrate'
import {
  askerOfDevice,
  askerOfOpen,
  digestOf,
  endDevice,
  householdByCalendar,
  inviteByToken,
  keepChallenge,
  newDevice,
  takeChallenge,
} from './auth'
import { householdStore, type HouseholdStore } from './household'
import { members } from './schema'

const MIGRATIONS = 'server/db/migrations'
const NOW = Date.parse('2026-11-25T18:00:00Z')
const fixture = <T>(name: string) => JSON.parse(readFileSync(`shared/first-shape/${name}.json`, 'utf8')) as T

let cluster: { url: string; stop(): void }
let opened: ReturnType<typeof openDatabase>
let db: Database
let store: HouseholdStore

/** A household as it was kept before the kitchen was one document, with runs that were over and one that was not. */
const OLD = { household: randomUUID(), token: 'old-household', over: randomUUID(), on: randomUUID(), pot: randomUUID() }

beforeAll(async () => {
  cluster = await throwAwayDatabase()
  opened = openDatabase(cluster.url)
  db = opened.db
  const before = mkdtempSync(path.join(os.tmpdir(), 'bivvet-migrations-'))
  cpSync(MIGRATIONS, before, { recursive: true })
  const journal = path.join(before, 'meta', '_journal.json')
  const { entries, ...head } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { idx: number }[] }
  writeFileSync(journal, JSON.stringify({ ...head, entries: entries.filter(({ idx }) => idx <= 2) }))
  await migrate(opened.owner, { migrationsFolder: before })
  rmSync(before, { recursive: true })
  await keepOldHousehold()
  await migrateDatabase(opened.owner)
  await seedDemo(db)
  store = await storeOf(DEMO_HOUSEHOLD)
})
afterAll(async () => {
  await opened.pool.end()
  cluster.stop()
})

const storeOf = async (householdId: string) =>
  householdStore(databaseOf(householdId, opened.pool), (await askerOfOpen(db, householdId))!)

async function keepOldHousehold() {
  const { pool } = opened
  const kitchen = fixture<Record<string, never[]>>('kitchen') as Record<string, unknown> &
    Record<'cookers', { id: string; name: string; cooker: object }[]>
  const { household, token } = OLD
  await pool.query(
    `insert into households (id, name, altitude_m, room_c, tap_c, hard_water, version, join_token)
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [
      household,
      kitchen.name,
      kitchen.altitudeM,
      kitchen.roomC,
      kitchen.tapC,
      kitchen.hardWater,
      kitchen.version,
      token,
    ],
  )
  for (const [i, cooker] of kitchen.cookers.entries())
    await pool.query(
      'insert into cookers (id, household_id, name, position, cooker, tests) values ($1, $2, $3, $4, $5, $6)',
      [cooker.id, household, cooker.name, i, cooker.cooker, '[]'],
    )
  const rows = (key: string) => kitchen[key] as Record<string, string | number | boolean | object>[]
  for (const { id, name, burner } of rows('burners'))
    await pool.query('insert into burners (id, household_id, name, position, burner) values ($1, $2, $3, 0, $4)', [
      id,
      household,
      name,
      burner,
    ])
  for (const { id, name, volumeMl } of rows('measures'))
    await pool.query('insert into measures (id, household_id, name, position, volume_ml) values ($1, $2, $3, 0, $4)', [
      id,
      household,
      name,
      volumeMl,
    ])
  for (const { id, name, diameterMm, heightMm, volumeMl, lid, material } of rows('tins'))
    await pool.query(
      `insert into tins (id, household_id, name, position, diameter_mm, height_mm, volume_ml, lid, material)
       values ($1, $2, $3, 0, $4, $5, $6, $7, $8)`,
      [id, household, name, diameterMm, heightMm, volumeMl, lid, material],
    )
  for (const { id, name, basedOn, figures } of rows('foods'))
    await pool.query(
      'insert into foods (id, household_id, name, position, based_on, figures) values ($1, $2, $3, 0, $4, $5)',
      [id, household, name, basedOn, figures],
    )
  for (const { id, name, foodId, boughtOn } of rows('bags'))
    await pool.query(
      'insert into bags (id, household_id, name, position, food_id, bought_on) values ($1, $2, $3, 0, $4, $5)',
      [id, household, name, foodId, boughtOn],
    )
  // One that was taken out before: it stays out, and what was cooked in it still says so.
  const gone = randomUUID()
  await pool.query(
    `insert into cookers (id, household_id, name, position, cooker, deleted_at) values ($1, $2, 'Sold one', 9, $3, now())`,
    [gone, household, kitchen.cookers[0]!.cooker],
  )
  const kept = fixture<{ request: object; answer: object }[]>('plans')
  const plans = [randomUUID(), randomUUID()]
  for (const [i, id] of plans.entries())
    await pool.query(
      'insert into plans (id, household_id, name, cooker_id, version, request, answer) values ($1, $2, $3, $4, 1, $5, $6)',
      [id, household, `Plan ${i}`, gone, kept[i]!.request, kept[i]!.answer],
    )
  // The second plan has a later closing: opened once, it goes on.
  for (const [run, planId] of [
    [OLD.over, plans[0]],
    [OLD.on, plans[1]],
  ]) {
    await pool.query('insert into runs (id, household_id, plan_id) values ($1, $2, $3)', [run, household, planId])
    for (const [i, kind] of ['lit', 'heat-off', 'pressure-gone', 'opened'].entries())
      await pool.query(
        'insert into run_events (id, household_id, run_id, kind, happened_at, data) values ($1, $2, $3, $4, $5, $6)',
        [randomUUID(), household, run, kind, new Date(NOW + i * 600_000), { kind }],
      )
  }
  await pool.query(
    `insert into verdicts (household_id, run_id, food_id, texture, water) values ($1, $2, 'carrot-chunks', 1, 0)`,
    [household, OLD.on],
  )
  await pool.query('insert into pots (id, household_id, name, pot) values ($1, $2, $3, $4)', [
    OLD.pot,
    household,
    'Old pot',
    fixture<object[]>('pots')[1],
  ])
}

const beans: PlanRequest = {
  kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [{ food: 'navy-bean', dryG: 300, soak: { hours: 9, waterC: 18, keepWater: false }, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
}
async function startedRun(of = store, createdAt?: Date) {
  const outcome = plan(beans, { range: false })
  if (!outcome.ok) throw new Error()
  const planId = randomUUID()
  await of.savePlan({ id: planId, name: 'Beans', cookerId: randomUUID(), request: beans }, 'Blue', outcome.value)
  const runId = randomUUID()
  await of.startRun(runId, planId)
  if (createdAt) await opened.pool.query('update runs set created_at = $1 where id = $2', [createdAt, runId])
  return runId
}
const event = (data: RunEventData, minute = 0): RunEvent => ({ id: randomUUID(), at: NOW + minute * 60_000, data })
const soon = () => Promise.resolve(0)
const never = () => Promise.resolve(Infinity)

describe('a household that was kept in the first shape', () => {
  const old = async () => storeOf(OLD.household)

  it('has its kitchen whole, in today’s shape', async () => {
    const { version, ...before } = fixture<{ version: number }>('kitchen')
    expect(await (await old()).kitchen()).toMatchObject({
      version,
      content: { ...before, likes: USUAL_LIKES, shape: 3 },
    })
  })

  it('has its runs with their plans, events and verdicts, and knows which of them goes on', async () => {
    const { runs } = await (await old()).runPage(null)
    expect(runs.map(({ id }) => id).sort()).toEqual([OLD.over, OLD.on].sort())
    const on = runs.find(({ id }) => id === OLD.on)!
    expect(on.plan).toMatchObject({ cookerName: 'Sold one', answer: { closings: [{}, {}] } })
    expect(on.events.map(({ data }) => data.kind)).toEqual(['lit', 'heat-off', 'pressure-gone', 'opened'])
    expect(on.verdicts).toMatchObject([{ content: 1, foodId: 'carrot-chunks', texture: 1 }])
    expect((await (await old()).runsOn()).map(({ id }) => id)).toEqual([OLD.on])
  })

  it('has its pots and a member', async () => {
    expect(await (await old()).documents('pot')).toMatchObject([
      { id: OLD.pot, content: { shape: 2, items: [{}, { joins: 1 }] } },
    ])
    expect(await (await old()).whoami()).toMatchObject({ household: { name: 'A kitchen' }, member: { name: 'Cook' } })
  })

  it('may have the same food twice, judged one by one', async () => {
    const runId = await startedRun()
    for (const [content, texture] of [
      [0, 1],
      [1, -1],
    ] as const)
      await store.judge(runId, { content, foodId: 'navy-bean', texture, water: 0, note: '' })
    expect((await store.run(runId))!.verdicts.map(({ texture }) => texture).sort()).toEqual([-1, 1])
  })
})

describe('the kitchen', () => {
  it('is kept once though sent twice, and never over another’s change', async () => {
    const { version, content } = (await store.kitchen())!
    const save = (change: Partial<Kitchen>) =>
      store.save('kitchen', DEMO_HOUSEHOLD, { version, content: { ...content, ...change } })
    const [first, second] = [await save({ roomC: 23 }), await save({ roomC: 23 })]
    expect([first, second]).toMatchObject([{ version: version + 1 }, { version: version + 1 }])
    expect(await save({ roomC: 9 })).toBe('changed-meanwhile')
    expect((await store.kitchen())!.content.roomC).toBe(23)
  })

  it('takes only one of two changes at the same moment', async () => {
    const { version, content } = (await store.kitchen())!
    const both = await Promise.all(
      [1, 2].map((tapC) => store.save('kitchen', DEMO_HOUSEHOLD, { version, content: { ...content, tapC } })),
    )
    expect(both.filter((outcome) => outcome === 'changed-meanwhile')).toHaveLength(1)
  })
})

describe('the events of a run', () => {
  it('are stored once, in their own time, with who saw them', async () => {
    const runId = await startedRun()
    const lit = event({ kind: 'lit' })
    for (let i = 0; i < 2; i++) expect((await store.addEvent(runId, lit, NOW, never)).stored).toBe(true)
    // One device was away for a while: what it heard then is not lost for what came in meanwhile.
    await store.addEvent(runId, event({ kind: 'whistle' }, 9), NOW + 9 * 60_000, never)
    const late = event({ kind: 'whistle' }, 8)
    expect(await store.addEvent(runId, late, NOW + 9 * 60_000, never)).toMatchObject({ stored: true })
    const { events } = (await store.run(runId))!
    expect(events).toHaveLength(3)
    expect(events.every(({ by }) => by === store.memberId)).toBe(true)
  })

  it('ask the sum before the lid comes off, and the run is over when it has', async () => {
    const runId = await startedRun()
    const add = (data: RunEventData, minute: number, opensFrom = never) =>
      store.addEvent(runId, event(data, minute), NOW + 3 * 3_600_000, opensFrom)
    await add({ kind: 'lit' }, 0)
    await add({ kind: 'heat-off' }, 30)
    await add({ kind: 'pressure-gone' }, 31)
    expect(await add({ kind: 'opened' }, 32)).toMatchObject({ stored: false, refusal: 'sum-says-pressure' })
    expect((await store.runsOn()).map(({ id }) => id)).toContain(runId)
    expect(await add({ kind: 'opened' }, 60, soon)).toMatchObject({ stored: true })
    expect((await store.runsOn()).map(({ id }) => id)).not.toContain(runId)
  })

  it('are worked out outside the transaction: others are stored while one waits for its sum', async () => {
    const runId = await startedRun()
    const add = (data: RunEventData, minute: number, opensFrom = never) =>
      store.addEvent(runId, event(data, minute), NOW + 3 * 3_600_000, opensFrom)
    await add({ kind: 'lit' }, 0)
    await add({ kind: 'heat-off' }, 30)
    await add({ kind: 'pressure-gone' }, 50)
    let answer!: (from: number) => void
    let asked = 0
    const opening = add({ kind: 'opened' }, 60, () => {
      asked++
      return asked === 1 ? new Promise((resolve) => (answer = resolve)) : Promise.resolve(0)
    })
    while (asked === 0) await new Promise((resolve) => setTimeout(resolve, 5))
    // Another device has a word meanwhile; then the sum is done anew with it.
    expect(await add({ kind: 'whistle' }, 20)).toMatchObject({ stored: true })
    answer(0)
    expect(await opening).toMatchObject({ stored: true })
    expect(asked).toBe(2)
  })

  it('are no other household’s', async () => {
    const runId = await startedRun()
    const other = await storeOf(OLD.household)
    expect(await other.run(runId)).toBeNull()
    expect(await other.addEvent(runId, event({ kind: 'lit' }), NOW, never)).toMatchObject({ refusal: 'no-run' })
  })
})

describe('the events of two runs', () => {
  it('have ids of their own: one that another run or another thing that happened has is refused', async () => {
    const [one, other] = [await startedRun(), await startedRun()]
    const lit = event({ kind: 'lit' })
    expect(await store.addEvent(one, lit, NOW, never)).toMatchObject({ stored: true })
    expect(await store.addEvent(other, lit, NOW, never)).toMatchObject({ stored: false, refusal: 'id-taken' })
    const whistle = { ...event({ kind: 'whistle' }, 5), id: lit.id }
    expect(await store.addEvent(one, whistle, NOW + 5 * 60_000, never)).toMatchObject({ refusal: 'id-taken' })
    expect((await store.run(one))!.events).toHaveLength(1)
    expect((await store.run(other))!.events).toHaveLength(0)
  })
})

describe('who is in the household', () => {
  it('is never without an owner, and without one of two there is the other', async () => {
    const home = await storeOf(OLD.household)
    const sole = home.memberId!
    expect(await home.setRole(sole, 'member')).toBe('last-owner')
    expect(await home.letGo(sole)).toBe('last-owner')
    expect(await home.setRole(randomUUID(), 'member')).toBe('no-member')
    const [second] = await db
      .insert(members)
      .values({ householdId: OLD.household, name: 'Second', role: 'member' })
      .returning({ id: members.id })
    expect(await home.letGo(sole)).toBe('last-owner')
    expect(await home.setRole(second!.id, 'owner')).toBe('done')
    expect(await home.setRole(sole, 'member')).toBe('done')
    expect(await home.letGo(second!.id)).toBe('last-owner')
    expect(await home.setRole(sole, 'owner')).toBe('done')
    // What the second has is gone with them: a link that they made, the calendar's address, their device.
    const theirs = householdStore(databaseOf(OLD.household, opened.pool), { ...home, memberId: second!.id })
    const link = (await theirs.invite(null))!
    const { token: calendar } = await theirs.newCalendarToken()
    const device = await newDevice(db, { householdId: OLD.household, memberId: second!.id }, 'Phone')
    expect(await inviteByToken(db, link.token)).not.toBeNull()
    expect(await askerOfDevice(db, device)).toMatchObject({ memberId: second!.id })
    expect(await home.letGo(second!.id)).toBe('done')
    expect(await inviteByToken(db, link.token)).toBeNull()
    expect(await householdByCalendar(db, calendar)).toBeNull()
    expect(await askerOfDevice(db, device)).toBeNull()
    expect(await home.letGo(second!.id)).toBe('no-member')
  })

  it('signs in again at a device that has not come for a season, or came in more than a year ago', async () => {
    const home = await storeOf(OLD.household)
    const device = await newDevice(db, { householdId: OLD.household, memberId: home.memberId! }, 'Tablet')
    const day = 86_400_000
    const at = (days: number) => askerOfDevice(db, device, Date.now() + days * day)
    expect(await at(91)).toBeNull()
    for (let days = 80; days <= 400; days += 80) expect((await at(days)) === null).toBe(days === 400)
    await endDevice(db, device)
    expect(await at(0)).toBeNull()
  })
})

describe('the log', () => {
  it('comes in pages without a gap or a double, though many runs began at the same moment', async () => {
    const at = new Date(NOW - 86_400_000)
    const made: string[] = []
    for (let i = 0; i < 34; i++) made.push(await startedRun(store, at))
    const seen: string[] = []
    let mark: { createdAt: Date; id: string } | null = null
    for (;;) {
      const page = await store.runPage(mark)
      seen.push(...page.runs.map(({ id }) => id))
      if (!page.next) break
      const [ms, id] = page.next.split('_')
      mark = { createdAt: new Date(Number(ms)), id: id! }
    }
    expect(new Set(seen).size).toBe(seen.length)
    expect(made.every((id) => seen.includes(id))).toBe(true)
    // Never lit, and long ago: nobody has to look after those.
    const on = new Set((await store.runsOn()).map(({ id }) => id))
    expect(made.filter((id) => on.has(id))).toEqual([])
  })
})

describe('a pot that soaks', () => {
  it('soaks no more once it is lit', async () => {
    const [first] = await store.documents('pot')
    const { id, ...pot } = first!
    const kept = await store.save('pot', id, { ...pot, content: { ...pot.content, soakingSince: NOW } })
    if (kept === 'changed-meanwhile') throw new Error(kept)
    expect(kept.content.soakingSince).toBe(NOW)
    const ended = await store.endSoak(id)
    expect(ended!.content.soakingSince).toBeNull()
    expect(ended!.version).toBe(kept.version + 1)
    expect(await store.endSoak(randomUUID())).toBeNull()
  })
})

describe('dishes and what was kept of them', () => {
  it('are the demo’s nine, and two that are kept', async () => {
    expect((await store.documents('dish')).map(({ name }) => name)).toHaveLength(9)
    expect((await store.documents('portion')).map(({ name }) => name).sort()).toEqual([
      'Pinto beans, a batch',
      'Yellow pea soup',
    ])
  })

  it('are kept once, changed by version, taken off and put back', async () => {
    const [first] = await store.documents('dish')
    const { id, version, content } = first!
    const five = { version, favourite: true, content: { ...content, servings: 5 } }
    const changed = await store.save('dish', id, five)
    if (changed === 'changed-meanwhile') throw new Error(changed)
    expect([changed.version, changed.favourite, changed.content.servings]).toEqual([version + 1, true, 5])
    expect(await store.save('dish', id, { version, favourite: false, content })).toBe('changed-meanwhile')
    // The same sent twice is kept once.
    expect(await store.save('dish', id, five)).toMatchObject({ version: version + 1 })
    expect(await store.earlier('dish', id)).toMatchObject([{ version, name: content.name }])
    expect(await store.remove('dish', id)).toBe(true)
    expect(await store.document('dish', id)).toBeNull()
    expect(await store.remove('dish', id)).toBe(false)
    expect(await store.save('dish', id, { version: version + 1, favourite: true, content })).toMatchObject({ id })
  })

  it('are had back as they were at any of the last fifty changes', async () => {
    const [{ id, ...first }] = (await store.documents('dish')) as [KeptDish]
    for (let n = 0; n < 53; n++) {
      const content = { ...first.content, servings: 1 + (n % 20) }
      expect(await store.save('dish', id, { version: first.version + n, content })).toMatchObject({ id })
    }
    const earlier = await store.earlier('dish', id)
    expect(earlier.map(({ version }) => version)).toEqual(Array.from({ length: 50 }, (_, i) => first.version + 52 - i))
  })

  it('are cooked on several devices at once: each says what it has done, and what was said first stays', async () => {
    const [{ id, content }] = (await store.documents('dish')).filter((one) => one.content.stages.length > 2) as [
      KeptDish,
    ]
    const [soak, pot] = [content.stages[0]!, content.stages[1]!]
    const runs = [randomUUID(), randomUUID()] as const
    expect((await store.begunDishes())[id]).toBeUndefined()
    await store.sayBegun(id, { clocks: { [soak.id]: NOW } })
    await store.sayBegun(id, { at: 1 })
    // What another has done meanwhile comes later, and neither begins anew nor takes the place of anything.
    await store.sayBegun(id, { clocks: { [soak.id]: NOW + 5000, 'not-a-stage': NOW }, runs: { [pot.id]: runs[0] } })
    const now = await store.sayBegun(id, { runs: { [pot.id]: runs[1] } })
    expect(now).toEqual({ at: 1, clocks: { [soak.id]: NOW }, runs: { [pot.id]: runs[0] } })
    expect((await store.begunDishes())[id]).toEqual(now)
    // The dish itself is as it was: nobody who changes it meanwhile is in the way.
    const [after] = (await store.documents('dish')).filter((one) => one.id === id)
    expect(await store.save('dish', id, { ...after!, favourite: !after!.favourite })).toMatchObject({ id })
    expect((await store.begunDishes())[id]).toEqual(now)
    expect(await store.endBegun(id)).toBe(true)
    expect((await store.begunDishes())[id]).toBeUndefined()
    expect(await store.sayBegun(randomUUID(), { at: 1 })).toBeNull()
  })

  it('of one household are not seen or changed by another', async () => {
    const other = await storeOf(OLD.household)
    const [first] = await store.documents('dish')
    expect(await other.sayBegun(first!.id, { at: 1 })).toBeNull()
    expect(await other.endBegun(first!.id)).toBe(false)
    expect((await store.begunDishes())[first!.id]).toBeUndefined()
    expect(await other.document('dish', first!.id)).toBeNull()
    // Under the same id it keeps its own, and nothing becomes of ours.
    const theirs = { version: 0, content: { ...first!.content, name: 'Theirs' } }
    expect(await other.save('dish', first!.id, theirs)).toMatchObject({ version: 1, name: 'Theirs' })
    expect((await store.document('dish', first!.id))!.name).toBe(first!.name)
    expect(await other.remove('dish', first!.id)).toBe(true)
    expect(await store.document('dish', first!.id)).not.toBeNull()
    const [kept] = await store.documents('portion')
    expect(await other.document('portion', kept!.id)).toBeNull()
    expect(await other.remove('portion', kept!.id)).toBe(false)
  })

  it('come to an end: what was taken off, or is sent with a version, counts like any other', async () => {
    const other = await storeOf(OLD.household)
    const content = (await store.documents('portion'))[0]!.content
    const save = (id: string, version: number) => other.save('portion', id, { version, content })
    const first = randomUUID()
    await save(first, 0)
    await other.remove('portion', first)
    for (let i = 0; i < 300; i++) await save(randomUUID(), i % 3)
    await expect(save(randomUUID(), 1)).rejects.toMatchObject({ code: 'too-many-kept', max: 300 })
    await expect(save(first, 1)).rejects.toMatchObject({ code: 'too-many-kept' })
  })
})

describe('dinners', () => {
  const id = '0de70000-0000-4000-8000-00000000d101'
  const meal = { ...newMeal(Date.parse('2026-03-07T19:30:00Z')), hands: 2 }

  it('are kept, changed by version, taken off and put back, by their household alone', async () => {
    const other = await storeOf(OLD.household)
    const save = (version: number, change = {}) => store.save('meal', id, { version, content: { ...meal, ...change } })
    expect(await save(0)).toMatchObject({ id, version: 1, content: meal })
    expect(await save(0, { hands: 1 })).toBe('changed-meanwhile')
    expect(await other.document('meal', id)).toBeNull()
    expect(await other.documents('meal')).toEqual([])
    expect(await other.remove('meal', id)).toBe(false)
    expect(await store.remove('meal', id)).toBe(true)
    expect(await store.documents('meal')).toEqual([])
    expect(await save(1)).toMatchObject({ version: 2 })
  })

  it('tell a calendar of a task that is gone when it was, though they are served later now', async () => {
    const dinner = randomUUID()
    const tasks = [mealTask('A.fry.do', -90), mealTask('A.rest.do', -10)]
    await store.save('meal', dinner, { version: 0, content: { ...meal, tasks } })
    const later = { ...meal, servedAt: meal.servedAt + 3_600_000, tasks: [mealTask('A.rest.do', -10)] }
    await store.save('meal', dinner, { version: 1, content: later })
    const [told] = await store.calendarMeals(0, dinner)
    expect(told).toMatchObject({ version: 2, isRemoved: false, meal: { servedAt: later.servedAt } })
    expect(told!.gone.map(({ id: task, startMinute }) => [task, startMinute])).toEqual([['A.fry.do', -150]])
    // Taken off, all of it is gone.
    await store.remove('meal', dinner)
    const [off] = await store.calendarMeals(0, dinner)
    expect(off!.isRemoved).toBe(true)
    expect(off!.gone.map(({ id: task, startMinute }) => [task, startMinute]).sort()).toEqual([
      ['A.fry.do', -150],
      ['A.rest.do', -10],
    ])
    // Older than what is asked for, it is not told.
    expect(await store.calendarMeals(Date.now() + 60_000, dinner)).toEqual([])
  })

  it('are read by a calendar that has the address, until it is taken back or ends', async () => {
    const { token: first } = await store.newCalendarToken()
    expect(await householdByCalendar(db, first)).toBe(DEMO_HOUSEHOLD)
    const { token: second, until } = await store.newCalendarToken()
    expect(await householdByCalendar(db, first)).toBeNull()
    expect(await store.calendarUntil()).toBe(until)
    // It ends by itself, and what is kept of it opens nothing.
    expect(await householdByCalendar(db, second, until + 1)).toBeNull()
    expect(await householdByCalendar(db, digestOf(second))).toBeNull()
    await store.removeCalendarToken()
    expect(await store.calendarUntil()).toBeNull()
    expect(await householdByCalendar(db, second)).toBeNull()
  })
})

describe('what a passkey is asked to sign', () => {
  it('is taken once, for what it was made, and not too late', async () => {
    const soon = new Date(Date.now() + 60_000)
    await keepChallenge(db, 'sign-in', 'abc', soon)
    await keepChallenge(db, 'sign-in', 'def', soon)
    expect(await takeChallenge(db, 'confirm somebody', 'abc')).toBe(false)
    const both = await Promise.all([takeChallenge(db, 'sign-in', 'abc'), takeChallenge(db, 'sign-in', 'abc')])
    expect(both.filter(Boolean)).toHaveLength(1)
    expect(await takeChallenge(db, 'sign-in', 'def', soon.getTime() + 1)).toBe(false)
  })
})
