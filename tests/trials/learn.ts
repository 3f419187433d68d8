import { findFood } from '../../core/food/catalogue'
import { asLearnt } from '../../core/learn/apply'
import { idOf, OLD_BATCH, UNLEARNT, type Figure } from '../../core/learn/figure'
import type { Believed } from '../../core/learn/posterior'
import { learnFrom, type KitchenLog, type LoggedRun } from '../../core/learn/log'
import { fitRun } from '../../core/learn/run-fit'
import { cook, type CookNoise, type Truth } from '../../core/learn/cook'
import type { Course } from '../../core/live/course'
import type { Hidden } from '../../core/live/stove'
import { normal } from '../../core/live/random'
import { DAY_MS } from '../../core/measure/time'
import { FLAMES } from '../../core/names'
import { plan } from '../../core/program/plan'
import type { PlanRequest } from '../../core/program/request.schema'
import { drawnTruth, otherStove } from './other-pot'

export interface Pot {
  cookerId: string
  cooker: string
  burnerId: string | null
  style: PlanRequest['style']
  foodId: string
  dryG: number
  soakHours: number
  bagId: string
  isOld: boolean
}

/** A pot as it is asked for in a kitchen 1,450 m up. */
export function requestOf({ cooker, style, foodId, dryG, soakHours, burnerId, isOld }: Pot): PlanRequest {
  return {
    kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
    cooker,
    ...(burnerId ? { burner: burnerId === 'weak' ? 'weak' : 'strong' } : {}),
    contents: [
      {
        food: foodId,
        dryG,
        soak: soakHours > 0 ? { hours: soakHours, waterC: 18, keepWater: false } : null,
        where: 'base',
        batch: isOld ? 'old' : 'fresh',
      },
    ],
    liquids: [],
    freeLiquid: 'spoonable',
    style,
    release: 'auto',
  }
}

const FOODS: readonly { foodId: string; dryG: number; soakHours: number }[] = [
  { foodId: 'navy-bean', dryG: 300, soakHours: 9 },
  { foodId: 'chickpea-white', dryG: 250, soakHours: 9 },
  { foodId: 'toor-split', dryG: 200, soakHours: 0 },
  { foodId: 'black-eyed', dryG: 250, soakHours: 6 },
  { foodId: 'kidney-red', dryG: 280, soakHours: 10 },
  { foodId: 'rajma', dryG: 260, soakHours: 10 },
].filter(({ foodId }) => findFood(foodId))

/** Counts that can be kept, and minutes: on a high flame these pots whistle too often to count. */
const COOKED_IN: readonly Pick<Pot, 'cookerId' | 'cooker' | 'burnerId' | 'style'>[] = [
  {
    cookerId: 'blue',
    cooker: 'whistling-5l-aluminium',
    burnerId: 'strong',
    style: { kind: 'whistles', flame: 'medium' },
  },
  { cookerId: 'blue', cooker: 'whistling-5l-aluminium', burnerId: 'strong', style: { kind: 'first-whistle-then-low' } },
  { cookerId: 'old', cooker: 'whistling-3l-aluminium', burnerId: 'weak', style: { kind: 'whistles', flame: 'medium' } },
  {
    cookerId: 'old',
    cooker: 'whistling-3l-aluminium',
    burnerId: 'weak',
    style: { kind: 'high-then-low', whistles: 2 },
  },
  { cookerId: 'pot', cooker: 'electric-6l', burnerId: null, style: { kind: 'electric', level: 'high' } },
]

const BAG_LASTS = 7
const START_MS = Date.parse('2026-03-01T12:00:00Z')

export interface Household {
  log: KitchenLog
  truth: Truth
  misses: number[]
}

/**
 * A household that cooks so many pots and plans each with what its log has taught so far, or with what else it
 * `believes`. `drawn` gives the truth of a figure when it first matters.
 */
export function household(
  runs: number,
  drawn: (figure: Figure, isOld: boolean) => number,
  cookNoise: CookNoise,
  random: () => number,
  {
    believes = learnFrom as (log: KitchenLog, truth: Truth) => Believed,
    /** Cooks in the other pot (other-pot.ts), whose gaskets and weights also differ; whistling pots only. */
    otherPot = false,
  } = {},
): Household {
  const truth = new Map<string, number>()
  const need = (figure: Figure, isOld = false) => {
    const id = idOf(figure)
    if (!truth.has(id)) truth.set(id, drawn(figure, isOld))
  }
  need({ kind: 'taste' })
  const log: { -readonly [K in keyof KitchenLog]: KitchenLog[K] } & {
    runs: LoggedRun[]
    bags: KitchenLog['bags'][number][]
  } = { runs: [], bags: [], gaskets: [], waterTests: [], forgotten: [], without: [] }
  const cookedIn = otherPot ? COOKED_IN.filter(({ burnerId }) => burnerId) : COOKED_IN
  const built = new Map<string, ReturnType<typeof drawnTruth>>()
  const used = new Map<string, number>()
  const misses: number[] = []
  for (let i = 0; i < runs; i++) {
    const at = START_MS + i * 2.5 * DAY_MS
    const food = FOODS[Math.floor(random() * FOODS.length)]!
    const on = cookedIn[Math.floor(random() * cookedIn.length)]!
    const times = used.get(food.foodId) ?? 0
    used.set(food.foodId, times + 1)
    const bagId = `${food.foodId}-${Math.floor(times / BAG_LASTS)}`
    const known = log.bags.find(({ id }) => id === bagId)
    const boughtAt = known?.boughtAt ?? at - (random() < 0.2 ? 500 : 20) * DAY_MS
    if (!known) log.bags.push({ id: bagId, boughtAt })
    const isOld = at - boughtAt > 365.25 * DAY_MS
    const pot: Pot = { ...food, ...on, bagId, isOld }
    need({ kind: 'batch', bagId }, isOld)
    need({ kind: 'need', foodId: food.foodId })
    need({ kind: 'uptake', foodId: food.foodId })
    need({ kind: 'group-taste', group: findFood(food.foodId)!.group })
    const { cookerId, burnerId } = on
    for (const kind of ['loss', 'swing', 'steam', 'pressure'] as const) need({ kind, cookerId })
    if (burnerId === null) need({ kind: 'own-heat', cookerId })
    else {
      need({ kind: 'burner-heat', cookerId, burnerId })
      for (const flame of FLAMES) need({ kind: 'flame-heat', cookerId, burnerId, flame })
    }
    const plain = requestOf(pot)
    const request = asLearnt(plain, { cookerId, burnerId, bagIds: [bagId] }, believes(log, truth))
    const answer = plan(request, { range: false })
    if (!answer.ok) continue
    const live = { request, answer: answer.value }
    if (otherPot && !built.has(cookerId)) built.set(cookerId, drawnTruth(random, { badGaskets: false }))
    const of = built.get(cookerId)
    const stoveOf = of && ((course: Course, hidden: Hidden) => otherStove(course, hidden, of))
    const cooked = cook(live, { cookerId, burnerId, bagIds: [bagId] }, truth, cookNoise, at, random, { stoveOf })
    const fit = fitRun(live, cooked.events)
    misses.push(cooked.misses[0]!)
    if (fit) log.runs.push({ id: `run-${i}`, fit, cookerId, burnerId, bagIds: [bagId], verdicts: cooked.verdicts })
  }
  return { log, truth, misses }
}

/** A truth drawn from what is assumed before anything is learnt. */
export function drawnFrom(random: () => number): (figure: Figure, isOld: boolean) => number {
  return ({ kind }, isOld) => {
    const sd = {
      'burner-heat': 0.8 * UNLEARNT.heat,
      'flame-heat': 0.6 * UNLEARNT.heat,
      'own-heat': UNLEARNT.heat,
      swing: UNLEARNT.swing,
      loss: UNLEARNT.loss,
      steam: UNLEARNT.steam,
      pressure: UNLEARNT.pressure,
      batch: isOld ? UNLEARNT.oldBatch : UNLEARNT.freshBatch,
      need: UNLEARNT.need,
      uptake: UNLEARNT.uptake,
      'group-taste': UNLEARNT.taste,
      taste: UNLEARNT.taste,
    }[kind]
    return (kind === 'batch' && isOld ? OLD_BATCH : 0) + sd * normal(random)
  }
}
