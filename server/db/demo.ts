import { BURNERS, COOKERS } from '../../core/pot/cookers'
import { DEMO_HOUSEHOLD } from '../../scripts/demo-household.mjs'
import { findFood } from '../../core/food/catalogue'
import type { HouseholdTin, Kitchen } from '../../shared/kitchen'
import { newPot, type Pot } from '../../shared/pot'
import type { Database } from './client'
import { householdStore } from './household'
import { bags, burners, cookers, households, measures, pots, tins } from './schema'

const id = (number: number) => `0de70000-0000-4000-8000-${String(number).padStart(12, '0')}`

const DEMO_COOKERS = [
  { id: id(101), name: 'Blue 5 L', position: 1, cooker: COOKERS['whistling-5l-aluminium']! },
  { id: id(102), name: 'Old 3 L', position: 2, cooker: COOKERS['whistling-3l-aluminium']! },
  { id: id(103), name: 'Electric 6 L', position: 3, cooker: COOKERS['electric-6l']! },
  { id: id(104), name: 'Rice cooker 1 L', position: 4, cooker: COOKERS['rice-1l']! },
]
const DEMO_BURNERS = [
  { id: id(201), name: 'Strong', position: 1, burner: BURNERS.strong },
  { id: id(202), name: 'Weak', position: 2, burner: BURNERS.weak },
]
const DEMO_MEASURES = [
  { id: id(301), name: 'Cup', position: 1, volumeMl: 240 },
  { id: id(302), name: 'Our bowl', position: 2, volumeMl: 150 },
]

const DEMO_TINS = [
  { id: id(401), name: 'Wide low tin', diameterMm: 190, heightMm: 40, volumeMl: 1050, lid: false, material: 'steel' },
  { id: id(402), name: 'Middle tin', diameterMm: 180, heightMm: 40, volumeMl: 940, lid: true, material: 'steel' },
  { id: id(403), name: 'Small tin', diameterMm: 170, heightMm: 40, volumeMl: 840, lid: true, material: 'steel' },
  { id: id(404), name: 'Tall tin', diameterMm: 130, heightMm: 75, volumeMl: 900, lid: false, material: 'aluminium' },
].map((tin, i) => ({ ...tin, material: tin.material as HouseholdTin['material'], position: i + 1 }))
const DEMO_BAGS = [
  { id: id(501), name: 'Back of the cupboard', foodId: 'kidney-red', boughtOn: '2023-09-14' },
  { id: id(502), name: 'New bag', foodId: 'navy-bean', boughtOn: '2026-01-20' },
].map((bag, i) => ({ ...bag, position: i + 1 }))

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

/** Loads the invented household “Larkspur Terrace”; what is there already is left as it is. */
export async function seedDemo(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    const inserted = await tx
      .insert(households)
      .values({
        id: DEMO_HOUSEHOLD,
        name: 'Larkspur Terrace',
        altitudeM: 1450,
        roomC: 20,
        tapC: 18,
        joinToken: 'larkspur-terrace-demo',
      })
      .onConflictDoNothing()
      .returning({ id: households.id })
    if (inserted.length === 0) return
    const householdId = DEMO_HOUSEHOLD
    await tx.insert(cookers).values(DEMO_COOKERS.map((row) => ({ ...row, householdId })))
    await tx.insert(burners).values(DEMO_BURNERS.map((row) => ({ ...row, householdId })))
    await tx.insert(measures).values(DEMO_MEASURES.map((row) => ({ ...row, householdId })))
    await tx.insert(tins).values(DEMO_TINS.map((row) => ({ ...row, householdId })))
    await tx.insert(bags).values(DEMO_BAGS.map((row) => ({ ...row, householdId })))
    const kitchen = await householdStore(tx as unknown as Database, householdId).kitchen()
    const kept = demoPots(kitchen!)
    await tx
      .insert(pots)
      .values(kept.map((row, i) => ({ ...row, householdId, updatedAt: new Date(Date.UTC(2026, 0, 20 - i, 18)) })))
  })
}
