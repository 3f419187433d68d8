import { COOKERS } from '../core/appliance/appliance'
import { BURNERS } from '../core/appliance/burner'
import { plan } from '../core/program/plan'
import type { PlanRequest } from '../core/program/request.schema'
import type { KeptEvent, RunWithPlan } from '../shared/household'
import { USUAL_LIKES, type Kitchen } from '../shared/kitchen'
import { KITCHEN_SHAPE } from '../shared/shapes'

export const START_MS = Date.parse('2026-11-25T18:00:00Z')

/** An id of this household; the same number is the same id. */
export const houseId = (n: number) => `0de70000-0000-4000-8000-${String(n).padStart(12, '0')}`

/** A kitchen by the sea with one whistling pot, one burner, a cup and a tin. */
export const aKitchen = (change: Partial<Kitchen> = {}): Kitchen => ({
  shape: KITCHEN_SHAPE,
  name: 'A kitchen',
  altitudeM: 0,
  roomC: 20,
  tapC: 18,
  hardWater: false,
  likes: USUAL_LIKES,
  cookers: [{ id: houseId(1), name: 'Blue', cooker: COOKERS['whistling-5l-aluminium']!, tests: [] }],
  burners: [{ id: houseId(2), name: 'Strong', burner: BURNERS.strong! }],
  measures: [{ id: houseId(3), name: 'Cup', volumeMl: 240 }],
  tins: [{ id: houseId(4), name: 'Small', diameterMm: 170, heightMm: 40, volumeMl: 840, lid: true, material: 'steel' }],
  foods: [],
  bags: [],
  ...change,
})

export const BEANS: PlanRequest = {
  kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  burner: { high: 1300, medium: 520, low: 300, simmer: 200 },
  contents: [{ food: 'navy-bean', dryG: 300, soak: { hours: 9, waterC: 20, keepWater: false }, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
}

/** The same of another amount, soak, food … */
export const beansOf = (change: Partial<PlanRequest['contents'][number]>): PlanRequest => ({
  ...BEANS,
  contents: [{ ...BEANS.contents[0]!, ...change }],
})

/** A run of 300 g of navy beans in a whistling pot, as the server tells of it. */
export function beansRun(id: string, events: KeptEvent[] = []): RunWithPlan {
  const outcome = plan(BEANS, { range: false })
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  const createdAt = new Date(START_MS).toISOString()
  return {
    id,
    planId: id,
    name: 'Beans',
    createdAt,
    events,
    verdicts: [],
    plan: { id, name: 'Beans', cookerId: null, cookerName: 'Blue', request: BEANS, answer: outcome.value, createdAt },
  }
}
