import { isRefused, runCautions, type Caution } from '../safety/rules'
import { holdsPressure, kindOf } from '../appliance/appliance'
import { figureOfStep } from '../appliance/steps'
import { FLAMES, type FlameName } from '../names'
import { MINUTE_MS } from '../measure/time'
import { UNMEASURED } from '../unknown'
import type { PotInRun } from '../program/remedy'
import { whistleEveryS } from '../program/flame'
import { endsByItself, shapeOf } from '../program/styles'
import { firstCourse, nextCourse, stillToCome, type Course, type LivePlan } from './course'
import type { RunEvent } from './event.schema'
import { asPlanned, FOUR_IN_FIVE, lookAhead, opensFrom, surely, type Looking, type Outlook } from './outlook'
import { inOrder, lastCycle, runState, ventedSince, type Cycle, type RunState } from './run'
import { goesByMinutes } from './steps'

/** The figure to go by, and why it is not the one before. */
export interface Advice {
  figure: number
  planned: number
  changed: {
    from: number
    why: 'faster' | 'slower' | 'flame' | 'interrupted' | 'water' | 'pot'
  } | null
  /** The water does not last to what the foods need; what of it can be had is advised. */
  isShort: boolean
  /** Of a pot whose water does not last: a lower flame on which it does; null if there is none. */
  lowerFlame: FlameName | null
}

/** A run as it stands now. */
export interface Following {
  state: RunState
  course: Course
  /** Null where the cooker decides for itself, and before the pot is lit. */
  advice: Advice | null
  /** Null before the pot is lit, and once it is over. */
  outlook: Outlook | null
  /** Nothing was heard on a low flame, or beans with lectin may lack something: they are to whistle once more. */
  whistleAgain: boolean
  cautions: Caution[]
}

// Advice changes only when it matters (engineering estimates).
/** Less than this share of what a food needs is too little to let pass. */
const TOO_LITTLE = 0.95
/** So many figures, or this share of them, too many are worth a change. */
const TOO_MANY = 1.5
const TOO_MANY_SHARE = 0.12
/** Below this change of heat the reason is not the flame's. */
const HEAT_MATTERS = 0.03
/** Minutes on high that a pot may take to whistle once more (engineering estimate). */
const ONCE_MORE_MINUTES = 4
const LATENT_J_PER_G = 2200

/** What an event told is what is shown for so long; then it is looked at anew. */
const FRESH_MS = 3000

/** What was made of the events up to one of them. */
interface Step {
  id: string
  at: number
  advice: Advice | null
  guess: Looking['belief']['guess']
  /** Kept for the two newest steps, of which the last may be taken back: all would grow with every whistle. */
  looking: Looking | null
}

/**
 * Follows a run: what its events tell of the pot, and what to do by that. What was worked out for the events
 * before is kept, so that each new one costs one look ahead. Advice depends on the events alone, so every
 * device gives the same.
 */
export function createFollower(plan: LivePlan, { bands = true } = {}) {
  let known: Step[] = []

  return function follow(all: readonly RunEvent[], nowMs: number): Following {
    const events = inOrder(all)
    const state = runState(all)
    const course = courseOf(plan, events)
    const { litAt, openedAt, heatOffAt } = lastCycle(state)
    if (litAt === null || state.phase === 'abandoned')
      return { state, course, advice: plannedAdvice(course), outlook: null, whistleAgain: false, cautions: [] }
    // A clock that ticks twice a second may be behind what was just pressed.
    const endMs = openedAt ?? Math.max(nowMs, state.lastAt!)
    if (endsByItself(course.closing.pot.style))
      return {
        state,
        course,
        advice: null,
        outlook: asPlanned(course, state, endMs),
        whistleAgain: false,
        cautions: [],
      }
    const last = learn(events)
    const fresh = heatOffAt === null && endMs - last.at < FRESH_MS ? last.looking : null
    const looking = fresh ?? lookAhead(course, state, endMs, { bands, before: last.guess })
    const advice =
      fresh || heatOffAt !== null ? last.advice : advise({ looking, course, state, nowMs: endMs, bands }, last.advice)
    const outlook = looking.outlook(advice?.figure ?? null)
    const { inside, needs, pot } = course.closing
    const foods = pot.foods.flatMap(({ food }, i) => {
      const still = course.still[i]!
      const needsInAll = course.had[i]! + needs[i]! + still
      const centreC = outlook.curve.hottestFoodC[i]!
      const { value: gets } = outlook.willGet[i]!
      const getsLow = surely(outlook.willGet[i]!)
      return inside[i] ? [{ food, gets, getsLow, still, needs: needsInAll, centreC }] : []
    })
    const { overdue } = outlook
    const spareEndG = outlook.liquidEndG.low - outlook.leastLiquidG
    const cautions = runCautions({
      foods,
      heatIsOff: heatOffAt !== null,
      hadPressure: holdsPressure(course.pot.appliance) ? hadPressure(state, course, outlook) : true,
      overdue: overdue && { ...overdue, minutes: (endMs - (overdue.dueAt ?? lastSignAt(state))) / MINUTE_MS },
      spareEndG,
    })
    const whistleAgain =
      isTurnedDown(course) &&
      (isUnsure(foods) || (isSilentOnLow(state) && foods.some(({ food }) => food.lectin))) &&
      spareEndG > (pot.burner.high * ONCE_MORE_MINUTES * 60) / LATENT_J_PER_G
    return { state, course, advice, outlook, whistleAgain, cautions }
  }

  /** What was made of the last event that tells something; events are in their order. The pot has been lit. */
  function learn(events: readonly RunEvent[]): Step {
    const lit = events.findLastIndex(({ data }) => data.kind === 'lit')
    const telling = events.flatMap((event, i) => (i >= lit && TELLING.includes(event.data.kind) ? [i] : []))
    let same = 0
    while (same < telling.length && known[same]?.id === events[telling[same]!]!.id) same++
    known = known.slice(0, same)
    // Back at an earlier step, after an undo: it is looked at once more.
    if (known.at(-1)?.looking === null) known.pop()
    for (const index of telling.slice(known.length)) {
      const upTo = events.slice(0, index + 1)
      const state = runState(upTo)
      const course = courseOf(plan, upTo)
      const before = known.at(-1)
      const { id } = events[index]!
      const at = state.lastAt!
      const looking = lookAhead(course, state, at, { bands, before: before?.guess })
      const advice = advise(
        { looking, course, state, nowMs: at, bands },
        before ? before.advice : plannedAdvice(course),
      )
      known.push({ id, at, advice, guess: looking.belief.guess, looking })
      const older = known.at(-3)
      if (older) older.looking = null
    }
    return known.at(-1)!
  }
}

/** How an opened pot stands, as a remedy or the next closing asks it. */
export function openedState({ course, outlook }: Following): PotInRun | null {
  if (!outlook) return null
  const { tempC, waterNowG, gotNow } = outlook
  return {
    tempC,
    freeWaterG: Math.max(0, waterNowG.value),
    gets: gotNow.map(({ value }) => value),
    closing: course.closing.number,
    still: course.still,
  }
}

/** The same once the foods that go in next are in. */
export function joinedState(plan: LivePlan, following: Following): PotInRun | null {
  const state = openedState(following)
  const closing = following.course.closing.number + 1
  return state && { ...state, closing, joins: true, still: stillToCome(plan.answer, closing) }
}

const TELLING: readonly string[] = [
  'lit',
  'whistle',
  'no-whistle',
  'none-missed',
  'quiet',
  'at-pressure',
  'boils',
  'flame',
  'resumed',
]

/** The course of the cycle that goes on. */
export function courseOf(plan: LivePlan, all: readonly RunEvent[]): Course {
  const events = inOrder(all)
  let course = firstCourse(plan)
  events.forEach(({ data }, i) => {
    if (data.kind !== 'goes-on') return
    const state = runState(events.slice(0, i))
    const openedAt = lastCycle(state).openedAt!
    const { gotNow, tempC, waterNowG } = endsByItself(course.closing.pot.style)
      ? asPlanned(course, state, openedAt)
      : lookAhead(course, state, openedAt, { bands: false }).outlook(null)
    const { figure, addWaterG, pinch, joins = false } = data
    const opened = { tempC, freeWaterG: waterNowG.value, gets: gotNow.map(({ value }) => value) }
    course = nextCourse(plan, course, opened, { figure, addWaterG, pinch, joins })
  })
  return course
}

/** Every closing of the lid of a run, with the course that it was to follow: for looking back on it. */
export function closingsOf(plan: LivePlan, all: readonly RunEvent[]): { cycle: Cycle; course: Course }[] {
  const events = inOrder(all)
  const begins = events.flatMap(({ data }, i) => (data.kind === 'goes-on' ? [i + 1] : []))
  return runState(all).cycles.map((cycle, i) => ({
    cycle,
    course: courseOf(plan, events.slice(0, i === 0 ? 0 : begins[i - 1])),
  }))
}

/**
 * From when on the pressure may be gone by the sum, at the earliest, in ms since 1970: one look at all that was
 * heard, without going through it event by event.
 */
export function opensFromOf(plan: LivePlan, events: readonly RunEvent[], atMs: number): number {
  return opensFrom(courseOf(plan, events), runState(events), atMs)
}

function plannedAdvice({ program }: Course): Advice | null {
  const figure = figureOfStep(program.at(-1)!)
  return figure === null ? null : { figure, planned: figure, changed: null, isShort: false, lowerFlame: null }
}

/** A pressure that is gone in less than this share of its time was hardly there. */
const SOON_GONE = 0.5

/** So many times what lies between two whistles without one, and nobody knows what the pot did (engineering estimate). */
const LONG_SILENT_TIMES = 3

/**
 * True unless nothing was ever heard of a pot, nothing since it was turned down, it was silent for long before its heat
 * went off, or what pressure it had was gone far sooner than it should have been.
 */
function hadPressure(state: RunState, course: Course, { opensFrom, curve }: Outlook): boolean {
  const { program } = course
  const cycle = lastCycle(state)
  const { heatOffAt, pressureGoneAt, whistles, atPressureAt } = cycle
  if (whistles.length === 0 && atPressureAt === null) return false
  if (isTurnedDown(course) && (isSilentOnLow(state) || wasSlowToWhistle(course, cycle))) return false
  const { whistleMinutes: due } = curve
  const everyMs = due.length > 1 ? ((due.at(-1)! - due[0]!) / (due.length - 1)) * MINUTE_MS : Infinity
  const silentMs = (heatOffAt ?? 0) - (whistles.at(-1)?.at ?? Infinity)
  if (program.at(-1)!.kind === 'whistles' && silentMs > LONG_SILENT_TIMES * everyMs + MINUTE_MS) return false
  if (heatOffAt === null || pressureGoneAt === null || ventedSince(cycle) !== null) return true
  return pressureGoneAt - heatOffAt >= SOON_GONE * (opensFrom - heatOffAt)
}

/** True if beans with lectin may lack something, by what is known, when the lid opens. */
function isUnsure(foods: Parameters<typeof runCautions>[0]['foods']): boolean {
  const low = foods.map((one) => ({ ...one, gets: (one.getsLow ?? one.gets) + (one.still ?? 0) }))
  return low.some(({ food, gets, needs }) => food.lectin && gets < TOO_LITTLE * needs)
}

/** True of a whistling pot that is cooked on a lower flame than the one on which it whistles first. */
function isTurnedDown({ pot, program }: Course): boolean {
  return kindOf(pot.appliance).tells === 'whistles' && goesByMinutes(program)
}

/** A pot that still has its pressure whistles again within so many times what lies between two whistles (engineering estimate). */
const SOON_TIMES = 1.5

/** True of a pot that was turned up to whistle once more and took longer to it than from its pressure. */
function wasSlowToWhistle({ closing: { pot } }: Course, { flameChanges, whistles }: Cycle): boolean {
  const turned = flameChanges.at(-1)
  const heard = turned && whistles.find(({ at }) => at > turned.at)
  if (!turned || !heard) return false
  const { altitudeM, roomC } = pot.request.kitchen
  const everyS = whistleEveryS({ ...pot, altitudeM, roomC }, pot.burner[turned.flame])
  return (heard.at - turned.at) / 1000 > SOON_TIMES * everyS
}

/** True if no whistle was heard since the flame was turned. */
function isSilentOnLow(state: RunState): boolean {
  const { flameChanges, whistles } = lastCycle(state)
  return (whistles.at(-1)?.at ?? 0) <= (flameChanges.at(-1)?.at ?? Infinity)
}

function lastSignAt(state: RunState): number {
  const { whistles, litAt } = lastCycle(state)
  return whistles.at(-1)?.at ?? litAt!
}

/** A pot as it was looked at. */
interface Seen {
  looking: Looking
  course: Course
  state: RunState
  nowMs: number
  bands: boolean
}

/**
 * What to go by from now on. It changes only when it matters, never goes past the water that there is even on the dry
 * side, and holds what was planned so that nine pots in ten are done, and what is dangerous when undercooked, to the low
 * side of what it may get.
 */
function advise(seen: Seen, last: Advice | null): Advice | null {
  const { looking, course, state } = seen
  const { needed, endWith, overdue } = looking
  // While nobody knows what the pot is doing the figure stands.
  if (!last || !needed || overdue) return last
  const { pot, needs, inside } = course.closing
  const by = endsByItself(pot.style) ? 1 : shapeOf(pot.style, pot.burner, pot.cooker.appliance).by
  const hasLectin = pot.foods.some(({ food }, i) => food.lectin && inside[i])
  const isSure = course.isSure || hasLectin
  const endOf = (figure: number) => {
    const { gets, liquidG } = endWith(figure)
    const foods = pot.foods.map(({ food }, i) => ({
      food,
      gets: (isSure ? surely(gets[i]!) : gets[i]!.value) + course.still[i]!,
      needs: needs[i]! + course.had[i]! + course.still[i]!,
    }))
    const isRaw = isRefused(runCautions({ foods, heatIsOff: true, spareEndG: Infinity }))
    const isTooLittle = isRaw || foods.some((one) => one.gets < TOO_LITTLE * one.needs)
    return { isTooLittle, isWet: liquidG.low > looking.leastLiquidG }
  }
  // The margin for a bag that needs more stays, since no whistle tells of it.
  const bag = (pot.request.spread?.batch ?? UNMEASURED.batch) * needed.value
  const target = isSure ? needed.value + FOUR_IN_FIVE * Math.hypot(needed.high - needed.value, bag) : needed.value
  // Before a whistle is heard a late one may as well have slipped by: that is no reason for fewer.
  const { flameChanges, whistles } = lastCycle(state)
  const unheard =
    kindOf(course.pot.appliance).tells === 'whistles' && whistles.length === 0 && flameChanges.length === 0
  // On a low flame nothing is heard: beans with lectin are not cooked for less than was planned on what nobody can tell.
  const isSilent = hasLectin && isTurnedDown(course) && isSilentOnLow(state)
  const tooMany = !unheard && !isSilent && last.figure - target >= Math.max(TOO_MANY * by, TOO_MANY_SHARE * last.figure)
  const wanted = Number.isFinite(target) ? Math.ceil(target / by - 1e-9) * by : last.figure
  const asIs = endOf(last.figure)
  const enough = asIs.isTooLittle ? Math.max(wanted, last.figure) : tooMany ? wanted : last.figure
  const figure = (enough === last.figure ? asIs : endOf(enough)).isWet ? enough : mostWithWater(enough)
  const isShort = figure < enough && endOf(figure).isTooLittle
  const lowerFlame = isShort ? lowerFlameOf(seen) : null
  if (figure === last.figure)
    return isShort === last.isShort && lowerFlame === last.lowerFlame ? last : { ...last, isShort, lowerFlame }
  const why = figure < enough ? 'water' : whyChanged(looking, state, course, figure - last.planned)
  return { ...last, figure, isShort, lowerFlame, changed: figure === last.planned ? null : { from: last.planned, why } }

  /** The greatest figure, not below what has been, with which the base stays wet on the dry side of what is believed. */
  function mostWithWater(than: number): number {
    let low = Math.ceil(looking.soFar / by - 1e-6)
    let high = Math.round(than / by)
    while (low < high) {
      const middle = Math.ceil((low + high) / 2)
      if (endOf(middle * by).isWet) low = middle
      else high = middle - 1
    }
    return Math.min(low * by, than)
  }
}

/** The highest flame below the one that is on with which the water lasts to what the foods need; null if there is none. */
function lowerFlameOf({ looking, course, state, nowMs, bands }: Seen): FlameName | null {
  const { burner } = course.closing.pot
  const cycle = lastCycle(state)
  const [first] = course.program
  if (goesByMinutes(course.program) || !('heatW' in first!)) return null
  const on = cycle.flameChanges.at(-1)?.flame
  const onW = on ? burner[on] : first.heatW
  const lower = FLAMES.filter((flame) => burner[flame] < onW).sort((a, b) => burner[b] - burner[a])
  const lasts = (flame: FlameName) => {
    const turned = { ...cycle, flameChanges: [...cycle.flameChanges, { at: nowMs, flame }] }
    const then = { ...state, cycles: [...state.cycles.slice(0, -1), turned] as RunState['cycles'] }
    const { needed, endWith } = lookAhead(course, then, nowMs, { bands, before: looking.belief.guess })
    return needed !== null && endWith(Math.ceil(needed.value)).liquidG.low > looking.leastLiquidG
  }
  return lower.find(lasts) ?? null
}

/** Why a figure is not the planned one; a reason that would explain a change the other way is none. */
function whyChanged({ belief }: Looking, state: RunState, { program }: Course, change: number) {
  const { interruptions, flameChanges } = lastCycle(state)
  if (interruptions.some(({ until }) => until !== null)) return 'interrupted'
  const heat = belief.guess.logHeat
  // On a hotter flame whistles come quicker and each cooks less: it takes more of them, but fewer minutes.
  const isHotter = program.at(-1)!.kind === 'whistles' ? change > 0 : change < 0
  const agrees = Math.abs(heat) >= HEAT_MATTERS && heat > 0 === isHotter
  if (agrees) return isHotter ? 'faster' : 'slower'
  return flameChanges.length > 0 ? 'flame' : 'pot'
}
