import { isRefused, runCautions, type Caution } from '../safety/rules'
import { kindOf } from '../appliance/appliance'
import { figureOfStep } from '../appliance/steps'
import { MINUTE_MS } from '../measure/time'
import type { PotInRun } from '../program/remedy'
import { endsByItself, shapeOf } from '../program/styles'
import { firstCourse, nextCourse, stillToCome, type Course, type LivePlan } from './course'
import type { RunEvent } from './event.schema'
import { asPlanned, lookAhead, opensFrom, type Looking, type Outlook } from './outlook'
import { inOrder, lastLeg, runState, type Leg, type RunState } from './run'

/** The figure to go by, and why it is not the one before. */
export interface Advice {
  figure: number
  planned: number
  changed: {
    from: number
    why: 'faster' | 'slower' | 'flame' | 'interrupted'
  } | null
}

/** A run as it stands now. */
export interface Following {
  state: RunState
  course: Course
  /** Null where the cooker decides for itself, and before the pot is lit. */
  advice: Advice | null
  /** Null before the pot is lit, and once it is over. */
  outlook: Outlook | null
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
    const { litAt, openedAt, heatOffAt } = lastLeg(state)
    if (litAt === null || state.phase === 'abandoned')
      return { state, course, advice: plannedAdvice(course), outlook: null, cautions: [] }
    // A clock that ticks twice a second may be behind what was just pressed.
    const endMs = openedAt ?? Math.max(nowMs, state.lastAt!)
    if (endsByItself(course.closing.pot.style))
      return { state, course, advice: null, outlook: asPlanned(course, state, endMs), cautions: [] }
    const last = learn(events)
    const fresh = heatOffAt === null && endMs - last.at < FRESH_MS ? last.looking : null
    const looking = fresh ?? lookAhead(course, state, endMs, { bands, before: last.guess })
    const advice = fresh || heatOffAt !== null ? last.advice : advise(looking, last.advice, state, course)
    const outlook = looking.outlook(advice?.figure ?? null)
    const { inside, needs, pot } = course.closing
    const foods = pot.foods.flatMap(({ food }, i) => {
      const still = course.still[i]!
      const needsInAll = course.had[i]! + needs[i]! + still
      const centreC = outlook.curve.hottestFoodC[i]!
      return inside[i] ? [{ food, gets: outlook.willGet[i]!.value, still, needs: needsInAll, centreC }] : []
    })
    const cautions = runCautions({
      foods,
      heatIsOff: heatOffAt !== null,
      overdue: outlook.overdue && {
        minutes: (endMs - outlook.overdue.dueAt) / MINUTE_MS,
        leastWaterG: outlook.overdue.leastWaterG,
      },
      waterEndG: outlook.waterEndG.low,
    })
    return { state, course, advice, outlook, cautions }
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
      const advice = advise(looking, before ? before.advice : plannedAdvice(course), state, course)
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
  'at-pressure',
  'boils',
  'flame',
  'resumed',
]

/** The course of the leg that goes on. */
export function courseOf(plan: LivePlan, all: readonly RunEvent[]): Course {
  const events = inOrder(all)
  let course = firstCourse(plan)
  events.forEach(({ data }, i) => {
    if (data.kind !== 'goes-on') return
    const state = runState(events.slice(0, i))
    const openedAt = lastLeg(state).openedAt!
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
export function closingsOf(plan: LivePlan, all: readonly RunEvent[]): { leg: Leg; course: Course }[] {
  const events = inOrder(all)
  const begins = events.flatMap(({ data }, i) => (data.kind === 'goes-on' ? [i + 1] : []))
  return runState(all).legs.map((leg, i) => ({
    leg,
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
  return figure === null ? null : { figure, planned: figure, changed: null }
}

function advise({ needed, getsWith, belief }: Looking, last: Advice | null, state: RunState, course: Course) {
  if (!last || !needed) return last
  const { pot, needs } = course.closing
  const by = endsByItself(pot.style) ? 1 : shapeOf(pot.style, pot.burner, pot.cooker.appliance).by
  const gets = getsWith(last.figure)
  const foods = pot.foods.map(({ food }, i) => ({
    food,
    gets: gets[i]! + course.still[i]!,
    needs: needs[i]! + course.had[i]! + course.still[i]!,
  }))
  const tooLittle =
    foods.some((one) => one.gets < TOO_LITTLE * one.needs) ||
    isRefused(runCautions({ foods, heatIsOff: true, waterEndG: Infinity }))
  const { interruptions, flameChanges, whistles } = lastLeg(state)
  // Before a whistle is heard a late one may as well have slipped by: that is no reason for fewer.
  const unheard =
    kindOf(course.pot.appliance).tells === 'whistles' && whistles.length === 0 && flameChanges.length === 0
  const tooMany = !unheard && last.figure - needed.value >= Math.max(TOO_MANY * by, TOO_MANY_SHARE * last.figure)
  const figure = Math.ceil(needed.value / by - 1e-9) * by
  if (figure === last.figure || !(tooLittle ? figure > last.figure : tooMany)) return last
  const heat = belief.guess.logHeat
  const why = interruptions.some(({ until }) => until !== null)
    ? 'interrupted'
    : Math.abs(heat) < HEAT_MATTERS && flameChanges.length > 0
      ? 'flame'
      : heat >= 0
        ? 'faster'
        : 'slower'
  return { ...last, figure, changed: figure === last.planned ? null : ({ from: last.planned, why } as const) }
}
