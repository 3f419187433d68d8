import type { LivePlan } from '../../core/live/course'
import type { RunEvent, RunEventData } from '../../core/live/event.schema'
import { createFollower, type Following } from '../../core/live/follow'
import { nextAction } from '../../core/live/next'
import { normal, randomFrom } from '../../core/live/random'
import { BURNERS } from '../../core/appliance/burner'
import { findFood } from '../../core/food/catalogue'
import type { FlameName } from '../../core/names'
import type { Outcome } from '../../core/problem'
import type { PlanAnswer } from '../../core/program/answer'
import type { PlanRequest } from '../../core/program/request.schema'
import { drawnTruth, otherPotOf, standOther } from './other-pot'

/** What a cook who follows the advice made of one pot. */
export interface Accident {
  food: string
  style: string
  /** Boil-minutes it got over those it needs by the catalogue, and the same as it was told. */
  share: number
  told: number
  dry: boolean
  /** When it opened, a caution said that it might not be done. */
  warned: boolean
  /** It was refused before it was lit, or never came to be opened. */
  ended: 'opened' | 'refused' | 'unplanned' | 'late'
  leftG: number
  /** The moment of the run at which each new action was shown. */
  log: string[]
}

const LOOK_S = 20
const MISSED = 0.1
const FALSE = 0.05
const LONGEST_S = 5 * 3600
const WARNINGS = ['lectin-not-done', 'lectin-unsure', 'lectin-not-yet', 'program-short']

/**
 * A whole run at a pot that is not the product's own (other-pot.ts). The cook taps what is heard (some are missed, some
 * counted that were none), comes within half a minute when called, and otherwise does nothing. `deafAfter` is a cook
 * who has stopped counting after so many whistles and comes only when called.
 */
export function accident(
  live: LivePlan,
  random: () => number,
  { deafAfter = Infinity, badGaskets = true } = {},
): Accident {
  const { answer, request } = live
  const first = answer.closings[0]!
  const food = findFood(answer.foods[0]!.food)!
  const truth = drawnTruth(random, { badGaskets })
  const stove = standOther(otherPotOf(answer.closings[0]!.case), truth)
  const flames = flamesOf(request)
  const start = first.case.program[0]!
  const nominal = 'heatW' in start ? start.heatW : 0
  let flame = (Object.keys(flames) as FlameName[]).find((name) => Math.abs(flames[name] - nominal) < 1) ?? 'high'
  let on = true
  let valve = false
  const events: RunEvent[] = []
  const say = (data: RunEventData, second: number) =>
    events.push({ id: `a${events.length}`, at: Math.round(second * 1000), data })
  const follow = createFollower(live)
  const log: string[] = []
  const end = (ended: Accident['ended'], cautions: readonly string[] = [], told = NaN): Accident => {
    const { doses, dryAt, waterG } = stove.now()
    const share = doses[0]! / answer.foods[0]!.needs
    const warned = cautions.some((id) => WARNINGS.includes(id))
    const style = `${request.style.kind}${'flame' in request.style ? ` ${request.style.flame}` : ''}`
    return { food: food.id, style, share, told, dry: dryAt !== null, warned, ended, leftG: waterG, log }
  }
  say({ kind: 'checked' }, 0)
  say({ kind: 'lit' }, 0)
  let taps = 0
  let comesAt = Infinity
  let wanted: RunEventData | null = null
  let shown = ''
  for (let second = LOOK_S; second < LONGEST_S; second += LOOK_S) {
    const whistles = stove.advance(second, on ? flames[flame] * truth.flames[flame] : 0, valve)
    for (const at of whistles) {
      if (taps >= deafAfter || random() < MISSED) continue
      taps += 1
      say({ kind: 'whistle' }, Math.min(second, at + 2 * Math.abs(1 + 0.5 * normal(random))))
      if (random() < FALSE) say({ kind: 'whistle' }, second)
    }
    if (second >= comesAt && wanted) {
      say(wanted, second)
      if (wanted.kind === 'heat-off') on = false
      if (wanted.kind === 'flame') flame = wanted.flame
      if (wanted.kind === 'valve-opened') valve = true
      wanted = null
      comesAt = Infinity
    }
    const nowMs = second * 1000
    const now = follow(events, nowMs)
    const action = nextAction(answer, now, nowMs)
    if (action.id !== shown) log.push(`${(second / 60).toFixed(1)} ${(shown = action.id)} ${told(now)}`)
    if (action.id === 'open') return end('opened', cautionsOf(now), toldOf(now))
    // A cook cannot say what has not happened: only what the hands do, and a pressure that is gone.
    const { event } = action
    if (!event || comesAt < Infinity) continue
    const doable = ['heat-off', 'flame', 'valve-opened'].includes(event.kind)
    const gone = event.kind === 'pressure-gone' && !stove.isShut()
    if (!doable && !gone) continue
    wanted = event
    comesAt = second + 30 * random()
  }
  return end('late')
}

const cautionsOf = ({ cautions }: Following): string[] => cautions.map(({ id }) => id)
const toldOf = ({ outlook, course }: Following): number => outlook!.gotNow[0]!.value / course.closing.needs[0]!
const told = ({ outlook, advice }: Following) =>
  outlook
    ? `advice ${advice?.figure ?? '-'} got ${outlook.gotNow[0]!.value.toFixed(0)} left ${outlook.liquidEndG.value.toFixed(0)} (${outlook.liquidEndG.low.toFixed(0)})`
    : ''

function flamesOf({ burner }: PlanRequest): Record<FlameName, number> {
  return BURNERS[burner === 'weak' ? 'weak' : 'strong']
}

const FOODS = [
  { food: 'kidney-red', dryG: 280, hours: 10 },
  { food: 'navy-bean', dryG: 300, hours: 9 },
  { food: 'rajma', dryG: 250, hours: 10 },
  { food: 'black-bean', dryG: 250, hours: 8 },
].filter(({ food }) => findFood(food))
const POTS = [
  { cooker: 'whistling-5l-aluminium', burner: 'strong' },
  { cooker: 'whistling-3l-aluminium', burner: 'weak' },
] as const

/** The styles in which the accidents are looked for. */
export const ACCIDENT_STYLES = {
  whistles: (i: number) => ({ kind: 'whistles', flame: i % 2 ? 'high' : 'medium' }),
  'one, then low': () => ({ kind: 'first-whistle-then-low' }),
  'two, then low': () => ({ kind: 'high-then-low', whistles: 2 }),
  clock: (i: number) => ({ kind: 'clock', flame: i % 2 ? 'low' : 'medium' }),
} as const satisfies Record<string, (i: number) => PlanRequest['style']>
export type AccidentStyle = keyof typeof ACCIDENT_STYLES

/** So many drawn runs of one style, the same every time. */
export function accidents(
  count: number,
  style: AccidentStyle,
  planner: (request: PlanRequest) => Outcome<PlanAnswer>,
  options: { deafAfter?: number; badGaskets?: boolean; seed?: number } = {},
): Accident[] {
  return Array.from({ length: count }, (_, i) => {
    const random = randomFrom((options.seed ?? 70_000) + i)
    const { food, dryG, hours } = FOODS[i % FOODS.length]!
    const request: PlanRequest = {
      kitchen: { altitudeM: i % 3 === 0 ? 1450 : 0, roomC: 20, tapC: 18 },
      ...POTS[i % 2 === 0 ? 0 : (i >> 1) % 2]!,
      contents: [
        {
          food,
          dryG: Math.round(dryG * (i % 2 && (i >> 1) % 2 ? 0.6 : 1)),
          soak: { hours, waterC: 18, keepWater: false },
          where: 'base',
        },
      ],
      liquids: [],
      freeLiquid: 'spoonable',
      style: ACCIDENT_STYLES[style](i >> 2),
      release: 'auto',
    }
    const planned = planner(request)
    const none = { food, style, share: NaN, told: NaN, dry: false, warned: true, leftG: NaN, log: [] }
    if (!planned.ok) return { ...none, ended: 'unplanned' }
    if (planned.value.cautions.some(({ severity }) => severity === 'refuse')) return { ...none, ended: 'refused' }
    return accident({ request, answer: planned.value }, random, options)
  })
}

/** How often of drawn runs each accident happened. */
export function countAccidents(of: readonly Accident[]) {
  const cooked = of.filter(({ ended }) => ended === 'opened' || ended === 'late')
  const count = (holds: (one: Accident) => boolean) => cooked.filter(holds).length
  return {
    runs: of.length,
    cooked: cooked.length,
    late: count(({ ended }) => ended === 'late'),
    below90: count(({ share }) => share < 0.9),
    below75: count(({ share }) => share < 0.75),
    below75Unwarned: count(({ share, warned }) => share < 0.75 && !warned),
    below90Unwarned: count(({ share, warned }) => share < 0.9 && !warned),
    warned: count(({ warned }) => warned),
    dry: count(({ dry }) => dry),
    within12: count(({ share, told, ended }) => ended === 'opened' && Math.abs(told / (share * 1) - 1) <= 0.12),
    medianShare: [...cooked.map(({ share }) => share)].sort((a, b) => a - b)[cooked.length >> 1] ?? NaN,
  }
}
