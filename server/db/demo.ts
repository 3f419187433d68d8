import { BURNERS, COOKERS } from '../../core/pot/cookers'
import { DEMO_HOUSEHOLD } from '../../scripts/demo-household.mjs'
import type { Database } from './client'
import { burners, cookers, households, measures } from './schema'

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
  })
}
