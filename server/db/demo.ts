import { sql } from 'drizzle-orm'
import { BURNERS } from '../../core/appliance/burner'
import { COOKERS } from '../../core/appliance/appliance'
import { DAY_MS, HOUR_MS } from '../../core/measure/time'
import { findFood } from '../../core/food/catalogue'
import { DEMO_HOUSEHOLD, DEMO_MEMBER } from '../../scripts/demo-household.mjs'
import { USUAL_LIKES, type Kitchen } from '../../shared/kitchen'
import { newMeal, withDish, type Meal } from '../../shared/meal'
import { newPot, type Pot } from '../../shared/pot'
import { FIT_SHAPE, KITCHEN_SHAPE, PLAN_SHAPE, PORTION_SHAPE } from '../../shared/shapes'
import type { Database } from './client'
import { asDocument, demoDishes } from './demo-dishes'
import type { Portion } from '../../shared/portion'
import { demoHistory } from './demo-history'
import { documents, households, members, plans, runEvents, runs, verdicts } from './schema'

const id = (number: number) => `0de70000-0000-4000-8000-${String(number).padStart(12, '0')}`

export const DEMO_KITCHEN: Kitchen = {
  shape: KITCHEN_SHAPE,
  name: 'Larkspur Terrace',
  altitudeM: 1450,
  roomC: 20,
  tapC: 18,
  hardWater: false,
  likes: USUAL_LIKES,
  cookers: [
    { id: id(101), name: 'Blue 5 L', cooker: COOKERS['whistling-5l-aluminium']!, tests: [] },
    { id: id(102), name: 'Old 3 L', cooker: COOKERS['whistling-3l-aluminium']!, tests: [] },
    { id: id(103), name: 'Electric 6 L', cooker: COOKERS['electric-6l']!, tests: [] },
    { id: id(104), name: 'Rice cooker 1 L', cooker: COOKERS['rice-1l']!, tests: [] },
  ],
  burners: [
    { id: id(201), name: 'Strong', burner: BURNERS.strong },
    { id: id(202), name: 'Weak', burner: BURNERS.weak },
  ],
  measures: [
    { id: id(301), name: 'Cup', volumeMl: 240 },
    { id: id(302), name: 'Our bowl', volumeMl: 150 },
  ],
  tins: [
    { id: id(401), name: 'Wide low tin', diameterMm: 190, heightMm: 40, volumeMl: 1050, lid: false, material: 'steel' },
    { id: id(402), name: 'Middle tin', diameterMm: 180, heightMm: 40, volumeMl: 940, lid: true, material: 'steel' },
    { id: id(403), name: 'Small tin', diameterMm: 170, heightMm: 40, volumeMl: 840, lid: true, material: 'steel' },
    { id: id(404), name: 'Tall tin', diameterMm: 130, heightMm: 75, volumeMl: 900, lid: false, material: 'aluminium' },
  ],
  foods: [],
  bags: [
    { id: id(501), name: 'Back of the cupboard', foodId: 'kidney-red', boughtOn: '2023-09-14' },
    { id: id(502), name: 'New bag', foodId: 'navy-bean', boughtOn: '2026-01-20' },
  ],
}

/** Pots of the household’s dishes, newest change first. */
function demoPots(kitchen: Kitchen): { id: string; name: string; favourite: boolean; pot: Pot }[] {
  const of = (foodId: string) => newPot(findFood(foodId)!, kitchen)
  const beans = of('navy-bean')
  const congee = of('jasmine-white')
  const millet = of('foxtail-millet')
  return [
    {
      id: id(601),
      name: 'White beans for squash',
      favourite: true,
      pot: { ...beans, items: [{ ...beans.items[0]!, amount: '2', soakHours: '9' }] },
    },
    {
      id: id(602),
      name: 'Ginger congee',
      favourite: true,
      pot: {
        ...congee,
        items: [{ ...congee.items[0]!, amount: '1/2', texture: 'porridge-pourable' }],
        liquids: [{ kind: 'thin-stock', amount: '1', unit: kitchen.measures[0]!.id }],
      },
    },
    { id: id(603), name: 'Yellow pea soup', favourite: false, pot: { ...of('split-peas'), freeLiquid: 'soup' } },
    { id: id(604), name: 'Millet for greens', favourite: false, pot: millet },
  ]
}

const dayFrom = (nowMs: number, days: number) => new Date(nowMs + days * DAY_MS).toISOString().slice(0, 10)

/** A batch that was cooked whole and frozen, and what is left of a soup; kept some days before the demo is loaded. */
const demoPortions = (nowMs: number): { id: string; content: Portion }[] => [
  {
    id: id(801),
    content: {
      shape: PORTION_SHAPE,
      name: 'Pinto beans, a batch',
      place: 'freezer',
      keptOn: dayFrom(nowMs, -11),
      until: dayFrom(nowMs, 79),
      left: 3,
      portionG: 500,
      food: { id: 'pinto', dryShare: 0.434, boilMinutes: 95 },
      water: 0.56,
      salt: 0.003,
      fat: 0,
      dishId: null,
    },
  },
  {
    id: id(802),
    content: {
      shape: PORTION_SHAPE,
      name: 'Yellow pea soup',
      place: 'fridge',
      keptOn: dayFrom(nowMs, -1),
      until: dayFrom(nowMs, 2),
      left: 2,
      portionG: 405,
      food: null,
      water: 0.8,
      salt: 0.0077,
      fat: 0.016,
      dishId: id(707),
    },
  },
]

export const DEMO_DISHES = demoDishes({
  blue: id(101),
  old: id(102),
  electric: id(103),
  strong: id(201),
  weak: id(202),
})

/** Loads the invented household “Larkspur Terrace”; what is there already is left as it is. */
export async function seedDemo(db: Database, nowMs = Date.now()): Promise<void> {
  await db.transaction(async (tx) => {
    const householdId = DEMO_HOUSEHOLD
    const inserted = await tx
      .insert(households)
      .values({ id: householdId })
      .onConflictDoNothing()
      .returning({ id: households.id })
    if (inserted.length === 0) return
    await tx.insert(members).values({ id: DEMO_MEMBER, householdId, name: 'Cook', role: 'owner' })
    await tx.insert(documents).values([
      { householdId, kind: 'kitchen', id: householdId, name: DEMO_KITCHEN.name, content: DEMO_KITCHEN },
      ...demoPots(DEMO_KITCHEN).map(({ pot: content, ...row }, i) => ({
        ...row,
        householdId,
        kind: 'pot' as const,
        content,
        updatedAt: new Date(Date.UTC(2026, 0, 20 - i, 18)),
      })),
      ...DEMO_DISHES.map((dish, i) => ({
        householdId,
        kind: 'dish' as const,
        id: id(701 + i),
        name: dish.name,
        favourite: dish.favourite ?? false,
        content: asDocument(dish),
        updatedAt: new Date(Date.UTC(2026, 0, 18 - i, 18)),
      })),
      ...demoPortions(nowMs).map((row) => ({
        ...row,
        householdId,
        kind: 'portion' as const,
        name: row.content.name,
      })),
    ])
    await seedHistory(tx, householdId, nowMs)
  })
}

/** Dishes that make up the evening: the beans of the first have been in water since the night before. */
const EVENING_DISHES = ['White beans with squash', 'Millet with greens', 'Ginger congee']
const SERVED_AT_HOUR = 19.5
/** A dinner takes so long from the first cut to the table, with time to look at its board before. */
const LEAST_AHEAD_MS = 2.5 * HOUR_MS
const SOAKED_FOR_MS = 20 * HOUR_MS
/** Then its board gives way to the next. */
const OVER_AFTER_MS = 3 * HOUR_MS

/** When the evening's dinner is on the table: half past seven, or the half hour that still leaves time for it. */
export function eveningFrom(nowMs: number): number {
  const usual = new Date(nowMs)
  usual.setHours(Math.floor(SERVED_AT_HOUR), (SERVED_AT_HOUR % 1) * 60, 0, 0)
  const half = HOUR_MS / 2
  return Math.max(usual.getTime(), Math.ceil((nowMs + LEAST_AHEAD_MS) / half) * half)
}

/** The evening's dinner, its beans in water since the night before. */
export function demoDinner(nowMs: number): Meal {
  const servedAt = eveningFrom(nowMs)
  const found = EVENING_DISHES.map((name) => DEMO_DISHES.findIndex((dish) => dish.name === name))
  const planned = found.reduce((meal, i) => withDish(meal, asDocument(DEMO_DISHES[i]!), id(701 + i)), newMeal(servedAt))
  return { ...planned, begun: { 'A.soak.do': { at: servedAt - SOAKED_FOR_MS, doneAt: null } } }
}

/** A day in the demo household: a dinner of three dishes for this evening, whatever the hour it is looked at. */
export async function seedDemoDay(db: Database, nowMs = Date.now()): Promise<void> {
  const content = demoDinner(nowMs)
  // The one of another day is over, and makes room for this evening's.
  await db
    .insert(documents)
    .values({ householdId: DEMO_HOUSEHOLD, kind: 'meal', id: id(901), name: EVENING_DISHES.join(', '), content })
    .onConflictDoUpdate({
      target: [documents.householdId, documents.kind, documents.id],
      set: { content, version: sql`${documents.version} + 1`, updatedAt: new Date(nowMs), deletedAt: null },
      setWhere: sql`(${documents.content} ->> 'servedAt')::bigint < ${nowMs - OVER_AFTER_MS}`,
    })
}

type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/** Months of runs with their verdicts, and what each of them says. */
async function seedHistory(tx: Transaction, householdId: string, nowMs: number): Promise<void> {
  const { runs: cooked } = demoHistory(DEMO_KITCHEN, nowMs)
  const of = { householdId, memberId: DEMO_MEMBER }
  const planId = (i: number) => id(10_000 + i)
  const runId = (i: number) => id(20_000 + i)
  const at = (ms: number) => new Date(ms)
  await tx.insert(plans).values(
    cooked.map(({ name, cookerId, cookerName, burnerId, bagIds, request, answer, atMs }, i) => ({
      id: planId(i),
      ...of,
      name,
      cookerId,
      cookerName,
      burnerId,
      bagIds,
      shape: PLAN_SHAPE,
      request,
      answer,
      createdAt: at(atMs),
    })),
  )
  await tx.insert(runs).values(
    cooked.map(({ fit, atMs }, i) => ({
      id: runId(i),
      ...of,
      planId: planId(i),
      isOn: false,
      fit: { shape: FIT_SHAPE, fit },
      createdAt: at(atMs),
    })),
  )
  await tx.insert(runEvents).values(
    cooked.flatMap(({ events }, i) =>
      events.map(({ id: eventId, at: happenedMs, data }) => ({
        id: eventId,
        ...of,
        runId: runId(i),
        kind: data.kind,
        happenedAt: at(happenedMs),
        data,
      })),
    ),
  )
  await tx
    .insert(verdicts)
    .values(cooked.flatMap(({ verdicts: said }, i) => said.map((verdict) => ({ ...of, runId: runId(i), ...verdict }))))
}
