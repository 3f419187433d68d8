import { BURNERS } from '../../core/appliance/burner'
import { COOKERS, heatsItself } from '../../core/appliance/appliance'
import { findFood } from '../../core/food/catalogue'
import { asLearnt } from '../../core/learn/apply'
import { idOf, OLD_BATCH, UNLEARNT, type Figure } from '../../core/learn/figure'
import { learnFrom, type KitchenLog, type LoggedRun, type LoggedVerdict } from '../../core/learn/log'
import { fitRun } from '../../core/learn/run-fit'
import type { RunEvent } from '../../core/live/event.schema'
import { normal } from '../../core/live/random'
import { createFollower } from '../../core/live/follow'
import { createStove, type Hidden } from '../../core/live/stove'
import { firstCourse, type LivePlan } from '../../core/live/course'
import { DAY_MS, MINUTE_MS } from '../../core/measure/time'
import { FLAMES, type FlameName } from '../../core/names'
import { plan } from '../../core/program/plan'
import { prepare } from '../../core/program/prepared'
import type { PlanRequest } from '../../core/program/request.schema'
import { unlearntBoilMinutes } from '../../core/food/need'

/** How a household really is, as logarithms of what is assumed, by the figures' ids; what is not there is as assumed. */
export type Truth = ReadonlyMap<string, number>

/** What makes one run differ from the next, and what a cook notices, as standard deviations. */
export interface Mess {
  /** Logarithms: the knob, the load, the vent. */
  heat: number
  load: number
  vent: number
  /** A cooker's own, that nothing tells: the pressure at which its weight lifts. */
  lift: number
  /** Share of whistles that nobody hears, and seconds by which a tap is late. */
  missed: number
  lateS: number
  /** Minutes by which the end of the pressure is seen late, and how much that differs. */
  seenLate: number
  seenMinutes: number
  /** Of a judgement, as a logarithm of the boil-minutes and as g of water per g. */
  doneness: number
  water: number
}

export const USUAL_MESS: Mess = {
  heat: 0.04,
  load: 0.05,
  vent: 0.1,
  lift: 0.05,
  missed: 0.05,
  lateS: 2,
  seenLate: 0.4,
  seenMinutes: 0.6,
  doneness: 0.12,
  water: 0.075,
}
export const NO_MESS: Mess = {
  heat: 0,
  load: 0,
  vent: 0,
  lift: 0,
  missed: 0,
  lateS: 0,
  seenLate: 0.5,
  seenMinutes: 0,
  doneness: 0,
  water: 0,
}

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

export interface Cooked {
  events: RunEvent[]
  verdict: LoggedVerdict
  /** Logarithm of what the food got over what it really needed here. */
  miss: number
}

const STEP_MINUTES = 1 / 12

/**
 * Cooks a plan on a stove that is as the household's really is: the cook counts what is heard, follows the program's own
 * figure and says how it came out. Nothing of core/learn is used.
 */
export function cook(
  { request, answer }: LivePlan,
  pot: Pot,
  truth: Truth,
  mess: Mess,
  startMs: number,
  random: () => number,
): Cooked {
  const of = (figure: Figure) => truth.get(idOf(figure)) ?? 0
  const noise = (sd: number) => sd * normal(random)
  const { cookerId, burnerId } = pot
  const base = prepare({ ...request, learnt: undefined })
  if (!base.ok) throw new TypeError(base.problems[0]!.code)
  const { appliance } = base.value.cooker
  const knob = noise(mess.heat)
  const heatOf = (flame: FlameName) =>
    burnerId === null
      ? 0
      : of({ kind: 'burner-heat', cookerId, burnerId }) + of({ kind: 'flame-heat', cookerId, burnerId, flame })
  const hidden: Hidden = {
    heat: Math.exp(of({ kind: 'own-heat', cookerId }) + (heatsItself(appliance) ? knob : 0)),
    load: Math.exp(noise(mess.load)),
    vent: Math.exp(noise(mess.vent)),
    swing: Math.exp(of({ kind: 'swing', cookerId })),
    loss: Math.exp(of({ kind: 'loss', cookerId })),
    pressure: Math.exp(truth.get(`lift ${cookerId}`) ?? 0),
  }
  const course = firstCourse({ request, answer })
  const stove = createStove({ ...course, pot: { ...course.pot, appliance } }, hidden)
  const events: RunEvent[] = []
  const say = (minute: number, data: RunEvent['data']) =>
    events.push({ id: uuidOf(random), at: startMs + Math.round(minute * MINUTE_MS), data })
  const { style } = request
  const first: FlameName = 'flame' in style ? style.flame : 'high'
  const onFlame = (flame: FlameName) =>
    stove.heat((base.value.burner[flame] * Math.exp(heatOf(flame) + knob)) / hidden.heat)
  say(0, { kind: 'lit' })
  if (burnerId) onFlame(first)
  else stove.start()
  const figure = answer.closings[0]!.range.figure
  const untilWhistles = style.kind === 'whistles' ? figure : style.kind === 'high-then-low' ? style.whistles : 1
  // The pot is followed as the product follows it: what was missed is counted in.
  const follow = createFollower({ request, answer }, { bands: false })
  let whistles = 0
  let until = untilWhistles
  let offAt: number | null = null
  let lowSince: number | null = null
  for (let minute = STEP_MINUTES; offAt === null && minute < 300; minute += STEP_MINUTES) {
    for (const sign of stove.advance(minute)) {
      if (sign.kind === 'switched-off') offAt = sign.minute
      if (sign.kind === 'pressure' && !burnerId) say(sign.minute, { kind: 'at-pressure' })
      if (sign.kind !== 'whistle' || random() < mess.missed) continue
      say(sign.minute + Math.abs(noise(mess.lateS)) / 60, { kind: 'whistle' })
      whistles++
      if (style.kind !== 'whistles') continue
      const { advice, outlook } = follow(events, events.at(-1)!.at)
      until = advice?.figure ?? until
      whistles = outlook?.soFar ?? whistles
    }
    if (!burnerId || offAt !== null) continue
    if (style.kind === 'whistles' && whistles >= until) offAt = minute
    if (style.kind === 'clock' && minute >= figure) offAt = minute
    if ((style.kind === 'first-whistle-then-low' || style.kind === 'high-then-low') && whistles >= untilWhistles) {
      if (lowSince === null) {
        lowSince = minute
        onFlame('low')
        say(minute, { kind: 'flame', flame: 'low' })
      }
      if (minute - lowSince >= figure) offAt = minute
    }
  }
  const off = offAt ?? 300
  if (burnerId) stove.heat(0)
  say(off, { kind: 'heat-off' })
  // It falls by itself, or through the valve a while later.
  const release = answer.release
  let goneAt = off
  if (release?.kind === 'timed' || release?.kind === 'quick') {
    stove.advance(off + release.afterMinutes)
    stove.valve(true)
    say(off + release.afterMinutes, { kind: 'valve-opened' })
    goneAt += release.afterMinutes
  }
  while (stove.now().gaugePa > 2000 && goneAt < off + 90) stove.advance((goneAt += STEP_MINUTES))
  const seen = goneAt + Math.max(0, mess.seenLate + noise(mess.seenMinutes))
  say(seen, { kind: 'pressure-gone' })
  say(seen + 0.5, { kind: 'opened' })
  stove.advance(seen + 0.5)

  const item = base.value.foods[0]!
  const { group } = item.food
  const wants =
    of({ kind: 'batch', bagId: pot.bagId }) -
    (pot.isOld ? OLD_BATCH : 0) +
    of({ kind: 'need', foodId: pot.foodId }) +
    of({ kind: 'group-taste', group }) +
    of({ kind: 'taste' })
  const end = stove.now()
  const miss = Math.log(end.boilMinutes[0]! / unlearntBoilMinutes(item.need)) - wants
  const startG = course.pot.load.freeWaterKg * 1000
  const lostG = (startG * hidden.load - end.freeWaterG) * Math.exp(of({ kind: 'steam', cookerId }))
  const drunkG = item.uptakeG * Math.exp(of({ kind: 'uptake', foodId: pot.foodId })) - item.insideG
  const over = (startG - lostG - drunkG - item.freeLiquidG) / pot.dryG
  const step = (value: number) => Math.max(-2, Math.min(2, Math.round(value)))
  return {
    events,
    verdict: {
      content: 0,
      texture: step((miss + noise(mess.doneness)) / Math.log(1.28)),
      water: step((over + noise(mess.water)) / 0.15),
    },
    miss,
  }
}

/** An id that is no event's but this one's, and the same for the same seed. */
function uuidOf(random: () => number): string {
  const hex = () => Math.floor(random() * 16).toString(16)
  const of = (length: number) => Array.from({ length }, hex).join('')
  return `${of(8)}-${of(4)}-4${of(3)}-8${of(3)}-${of(12)}`
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
 * A household that cooks so many pots and plans each with what its log has taught so far. `drawn` gives the truth of a
 * figure when it first matters.
 */
export function household(
  runs: number,
  drawn: (figure: Figure, isOld: boolean) => number,
  mess: Mess,
  random: () => number,
  { learns = true } = {},
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
  const used = new Map<string, number>()
  const misses: number[] = []
  for (let i = 0; i < runs; i++) {
    const at = START_MS + i * 2.5 * DAY_MS
    const food = FOODS[Math.floor(random() * FOODS.length)]!
    const on = COOKED_IN[Math.floor(random() * COOKED_IN.length)]!
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
    for (const kind of ['loss', 'swing', 'steam'] as const) need({ kind, cookerId })
    if (!truth.has(`lift ${cookerId}`)) truth.set(`lift ${cookerId}`, mess.lift * normal(random))
    if (burnerId === null) need({ kind: 'own-heat', cookerId })
    else {
      need({ kind: 'burner-heat', cookerId, burnerId })
      for (const flame of FLAMES) need({ kind: 'flame-heat', cookerId, burnerId, flame })
    }
    const plain = requestOf(pot)
    const request = learns ? asLearnt(plain, { cookerId, burnerId, bagIds: [bagId] }, learnFrom(log)) : plain
    const answer = plan(request, { range: false })
    if (!answer.ok) continue
    const live = { request, answer: answer.value }
    const cooked = cook(live, pot, truth, mess, at, random)
    const fit = fitRun(live, cooked.events)
    misses.push(cooked.miss)
    if (fit) log.runs.push({ id: `run-${i}`, fit, cookerId, burnerId, bagIds: [bagId], verdicts: [cooked.verdict] })
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
      batch: isOld ? UNLEARNT.oldBatch : UNLEARNT.freshBatch,
      need: UNLEARNT.need,
      uptake: UNLEARNT.uptake,
      'group-taste': UNLEARNT.taste,
      taste: UNLEARNT.taste,
    }[kind]
    return (kind === 'batch' && isOld ? OLD_BATCH : 0) + sd * normal(random)
  }
}
