import { heatsItself } from '../appliance/appliance'
import type { SetStyle } from '../appliance/style.schema'
import { unlearntBoilMinutes } from '../food/need'
import { idOf, OLD_BATCH, type Figure } from './figure'
import type { LoggedVerdict } from './log'
import { donenessWindowOf, wantedWaterG, type DonenessWindow } from './run-fit'
import { MINUTE_MS } from '../measure/time'
import type { FlameName } from '../names'
import { prepare, type PreparedFood } from '../program/prepared'
import { firstCourse, type Course, type LivePlan } from '../live/course'
import type { RunEvent } from '../live/event.schema'
import { createFollower } from '../live/follow'
import { normal } from '../live/random'
import { createStove, type Hidden, type Stove } from '../live/stove'

/** How a household really is, as logarithms of what is assumed, by the figures' ids; what is not there is as assumed. */
export type Truth = ReadonlyMap<string, number>

/** What makes one run differ from the next, and what a cook notices, as standard deviations. */
export interface CookNoise {
  /** Logarithms: the knob, the load, the vent. */
  heat: number
  load: number
  vent: number
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

export const USUAL_NOISE: CookNoise = {
  heat: 0.04,
  load: 0.05,
  vent: 0.1,
  missed: 0.05,
  lateS: 2,
  seenLate: 0.4,
  seenMinutes: 0.6,
  doneness: 0.12,
  water: 0.075,
}
export const NO_NOISE: CookNoise = {
  heat: 0,
  load: 0,
  vent: 0,
  missed: 0,
  lateS: 0,
  seenLate: 0.5,
  seenMinutes: 0,
  doneness: 0,
  water: 0,
}

/** What of a household a pot is cooked with. */
export interface CookedOn {
  cookerId: string
  burnerId: string | null
  bagIds: readonly (string | null)[]
}

export interface Cooked {
  events: RunEvent[]
  /** How each food came out. */
  verdicts: LoggedVerdict[]
  /**
   * By food: the logarithm of what it got over what it really needed here. Beans with lectin need no less than is
   * assumed of them, however firm they are liked.
   */
  misses: number[]
}

/** What a cook needs of a stove. */
export interface StoveToCookOn extends Pick<Stove, 'heat' | 'start' | 'valve' | 'advance'> {
  now(): { gaugePa: number; freeWaterG: number; boilMinutes: number[] }
}

const STEP_MINUTES = 1 / 12

/**
 * Cooks a plan on a stove that is as the household's really is: the cook counts what is heard, follows the program's own
 * figure and says how it came out. Nothing that learns is used.
 */
export function cook(
  { request, answer }: LivePlan,
  pot: CookedOn,
  truth: Truth,
  cookNoise: CookNoise,
  startMs: number,
  random: () => number,
  {
    interrupted,
    stoveOf = createStove,
  }: {
    interrupted?: { atMinute: number; minutes: number }
    stoveOf?: (course: Course, hidden: Hidden) => StoveToCookOn
  } = {},
): Cooked {
  const of = (figure: Figure) => truth.get(idOf(figure)) ?? 0
  const noise = (sd: number) => sd * normal(random)
  const { cookerId, burnerId } = pot
  const base = prepare({ ...request, learnt: undefined })
  if (!base.ok) throw new TypeError(base.problems[0]!.code)
  const { appliance } = base.value.cooker
  const knob = noise(cookNoise.heat)
  const heatOf = (flame: FlameName) =>
    burnerId === null
      ? 0
      : of({ kind: 'burner-heat', cookerId, burnerId }) + of({ kind: 'flame-heat', cookerId, burnerId, flame })
  const hidden: Hidden = {
    heat: Math.exp(of({ kind: 'own-heat', cookerId }) + (heatsItself(appliance) ? knob : 0)),
    load: Math.exp(noise(cookNoise.load)),
    vent: Math.exp(noise(cookNoise.vent)),
    swing: Math.exp(of({ kind: 'swing', cookerId })),
    loss: Math.exp(of({ kind: 'loss', cookerId })),
    pressure: Math.exp(of({ kind: 'pressure', cookerId })),
  }
  const course = firstCourse({ request, answer })
  const stove = stoveOf({ ...course, pot: { ...course.pot, appliance } }, hidden)
  const events: RunEvent[] = []
  const say = (minute: number, data: RunEvent['data']) =>
    events.push({ id: uuidOf(random), at: startMs + Math.round(minute * MINUTE_MS), data })
  const { style } = course.closing.pot
  const { first, turned } = flamesOf(style)
  const onFlame = (flame: FlameName) =>
    stove.heat((base.value.burner[flame] * Math.exp(heatOf(flame) + knob)) / hidden.heat)
  say(0, { kind: 'lit' })
  if (burnerId) onFlame(first)
  else stove.start()
  const figure = answer.closings[0]!.range.figure
  // The pot is followed as the product follows it: what was missed is counted in.
  const follow = createFollower({ request, answer }, { bands: false })
  let whistles = 0
  let advised = figure
  const listen = () => {
    const { advice, outlook } = follow(events, events.at(-1)!.at)
    advised = advice?.figure ?? advised
    if (style.kind === 'whistles') whistles = outlook?.soFar ?? whistles
  }
  let offAt: number | null = null
  let turnedAt: number | null = null
  for (let minute = STEP_MINUTES; offAt === null && minute < 300; minute += STEP_MINUTES) {
    if (interrupted && burnerId && minute >= interrupted.atMinute) {
      const { atMinute, minutes } = interrupted
      interrupted = undefined
      stove.advance(atMinute)
      stove.heat(0)
      say(atMinute, { kind: 'interrupted', why: 'gas' })
      minute = atMinute + minutes
      stove.advance(minute)
      onFlame(turned && turnedAt !== null ? turned.to : first)
      say(minute, { kind: 'resumed' })
    }
    for (const sign of stove.advance(minute)) {
      if (sign.kind === 'switched-off') offAt = sign.minute
      if (sign.kind === 'pressure' && !burnerId) say(sign.minute, { kind: 'at-pressure' })
      if (sign.kind !== 'whistle' || random() < cookNoise.missed) continue
      say(sign.minute + Math.abs(noise(cookNoise.lateS)) / 60, { kind: 'whistle' })
      whistles++
      listen()
    }
    if (!burnerId || offAt !== null) continue
    if (style.kind === 'whistles' && whistles >= advised) offAt = minute
    else if (turned && turnedAt === null && whistles >= turned.after) {
      turnedAt = minute
      onFlame(turned.to)
      say(minute, { kind: 'flame', flame: turned.to })
      listen()
    }
    if (style.kind === 'clock' && minute >= advised) offAt = minute
    if (style.kind !== 'whistles' && turnedAt !== null && minute - turnedAt >= advised) offAt = minute
  }
  const off = offAt ?? 300
  if (burnerId) stove.heat(0)
  say(off, { kind: 'heat-off' })
  // It falls by itself, or through the valve a while later.
  const release = answer.release
  let goneAt = off
  if (release && release.kind !== 'natural') {
    const { afterMinutes = 0 } = release
    stove.advance(off + afterMinutes)
    stove.valve(true)
    say(off + afterMinutes, { kind: 'valve-opened' })
    goneAt += afterMinutes
  }
  while (stove.now().gaugePa > 2000 && goneAt < off + 90) stove.advance((goneAt += STEP_MINUTES))
  const seen = goneAt + Math.max(0, cookNoise.seenLate + noise(cookNoise.seenMinutes))
  say(seen, { kind: 'pressure-gone' })
  say(seen + 0.5, { kind: 'opened' })
  stove.advance(seen + 0.5)

  const end = stove.now()
  const step = (value: number) => Math.max(-2, Math.min(2, Math.round(value)))
  const { foods } = base.value
  const gets = foods.map((item, i) => Math.log(end.boilMinutes[i]! / unlearntBoilMinutes(item.need)))
  const wanted = foods.map((item, i) => wants(item, pot.bagIds[i] ?? null))
  const drunkG = (item: PreparedFood) =>
    item.uptakeG * Math.exp(of({ kind: 'uptake', foodId: item.food.id })) - item.insideG
  const startG = course.pot.load.freeWaterKg * 1000
  const lostG = (startG * hidden.load - end.freeWaterG) * Math.exp(of({ kind: 'steam', cookerId }))
  const inBase = foods.filter(({ tin }) => tin === null)
  const sum = (get: (item: PreparedFood) => number) => inBase.reduce((all, item) => all + get(item), 0)
  const wantedG = wantedWaterG(inBase, answer.waterLeftG)
  const overInBase = (startG - lostG - sum(drunkG) - wantedG) / sum(({ dryG }) => dryG)
  return {
    events,
    verdicts: foods.map((item, content) => {
      const over = item.tin === null ? overInBase : (item.uptakeG - item.insideG - drunkG(item)) / item.dryG
      return {
        content,
        texture: feels(donenessWindowOf(item.need), gets[content]! - wanted[content]! + noise(cookNoise.doneness)),
        water: step((over + noise(cookNoise.water)) / 0.15),
      }
    }),
    misses: foods.map(({ food }, i) => gets[i]! - (food.lectin ? Math.max(0, wanted[i]!) : wanted[i]!)),
  }

  /** By how much more than a fresh bag of the catalogue's this food needs here, as it is liked. */
  function wants({ food, need }: PreparedFood, bagId: string | null): number {
    const isOld = need.factors.some(({ id }) => id === 'old-batch')
    const bag = bagId === null ? 0 : of({ kind: 'batch', bagId }) - (isOld ? OLD_BATCH : 0)
    return (
      bag +
      of({ kind: 'need', foodId: food.id }) +
      of({ kind: 'group-taste', group: food.group }) +
      of({ kind: 'taste' })
    )
  }
}

/** The flame that a pot is lit on, and the one that it is turned to after so many whistles. */
function flamesOf(style: SetStyle): { first: FlameName; turned: { to: FlameName; after: number } | null } {
  switch (style.kind) {
    case 'whistles': {
      const { flame, heatUp = flame } = style
      return { first: heatUp, turned: heatUp === flame ? null : { to: flame, after: 1 } }
    }
    case 'clock':
      return { first: style.flame, turned: null }
    case 'high-then-low':
      return { first: 'high', turned: { to: 'low', after: style.whistles } }
    case 'first-whistle-then-low':
      return { first: 'high', turned: { to: 'low', after: 1 } }
    default:
      return { first: 'high', turned: null }
  }
}

/** How many steps from right a food is felt to be that got so much over what it needed, as a logarithm. */
function feels({ firmer, right, softer }: DonenessWindow, over: number): number {
  if (over < 0) return over < firmer ? -2 : -1
  return over <= right ? 0 : over <= softer ? 1 : 2
}

/** An id that is no event's but this one's, and the same for the same seed. */
function uuidOf(random: () => number): string {
  const hex = () => Math.floor(random() * 16).toString(16)
  const of = (length: number) => Array.from({ length }, hex).join('')
  return `${of(8)}-${of(4)}-4${of(3)}-8${of(3)}-${of(12)}`
}
