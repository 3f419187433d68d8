import { isRefused, runCautions, type Caution } from '../safety/rules'
import type { PotState } from '../program/remedy'
import { firstCourse, nextCourse, stillToCome, type Course, type LivePlan } from './course'
import { asPlanned, decidesItself, lookAhead, type Looking, type Outlook } from './outlook'
import { runState, type Leg, type RunEvent, type RunState } from './run'

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
  looking: Looking
}

/**
 * Follows a run: what its events tell of the pot, and what to do by that. What was worked out for the events
 * before is kept, so that each new one costs one look ahead. Advice depends on the events alone, so every
 * device gives the same.
 */
export function createFollower(plan: LivePlan, { bands = true } = {}) {
  let known: Step[] = []

  return function follow(all: readonly RunEvent[], nowMs: number): Following {
    const events = withoutUndone(all)
    const state = runState(events)
    const course = courseOf(plan, events)
    if (state.litAt === null || state.phase === 'abandoned')
      return { state, course, advice: plannedAdvice(course), outlook: null, cautions: [] }
    // A clock that ticks twice a second may be behind what was just pressed.
    const endMs = state.openedAt ?? Math.max(nowMs, state.lastAt!)
    if (decidesItself(course))
      return { state, course, advice: null, outlook: asPlanned(course, state, endMs), cautions: [] }
    const last = learn(events)
    const fresh = state.heatOffAt === null && endMs - last.at < FRESH_MS
    const looking = fresh ? last.looking : lookAhead(course, state, endMs, { bands, before: last.looking.belief.guess })
    const advice = fresh || state.heatOffAt !== null ? last.advice : advise(looking, last.advice, state, course)
    const outlook = looking.outlook(advice?.figure ?? null)
    const foods = course.resolved.foods.flatMap(({ food, absent }, i) => {
      const still = course.still[i]!
      const needs = course.had[i]! + course.needs[i]! + still
      return absent ? [] : [{ food, gets: outlook.willGet[i]!.value, still, needs }]
    })
    const cautions = runCautions({ foods, heatIsOff: state.heatOffAt !== null, waterEndG: outlook.waterEndG.low })
    return { state, course, advice, outlook, cautions }
  }

  /** What was made of the last event that tells something. The pot has been lit. */
  function learn(events: readonly RunEvent[]): Step {
    const lit = events.findLastIndex(({ data }) => data.kind === 'lit')
    const telling = events.flatMap((event, i) => (i >= lit && TELLING.includes(event.data.kind) ? [i] : []))
    let same = 0
    while (same < telling.length && known[same]?.id === events[telling[same]!]!.id) same++
    known = known.slice(0, same)
    for (const index of telling.slice(same)) {
      const upTo = events.slice(0, index + 1)
      const state = runState(upTo)
      const course = courseOf(plan, upTo)
      const before = known.at(-1)
      const { id } = events[index]!
      const at = state.lastAt!
      const looking = lookAhead(course, state, at, { bands, before: before?.looking.belief.guess })
      const advice = advise(looking, before ? before.advice : plannedAdvice(course), state, course)
      known.push({ id, at, advice, looking })
    }
    return known.at(-1)!
  }
}

/** How an opened pot stands, as a remedy or the next closing asks it. */
export function openedState({ course, outlook }: Following): PotState | null {
  if (!outlook) return null
  const { tempC, waterNowG, gotNow } = outlook
  return {
    tempC,
    freeWaterG: Math.max(0, waterNowG.value),
    gets: gotNow.map(({ value }) => value),
    closing: course.closing,
    still: course.still,
  }
}

/** The same once the foods that go in next are in. */
export function joinedState(plan: LivePlan, following: Following): PotState | null {
  const state = openedState(following)
  const closing = following.course.closing + 1
  return state && { ...state, closing, still: stillToCome(plan.answer, closing) }
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

function withoutUndone(events: readonly RunEvent[]): RunEvent[] {
  const undone = new Set(events.flatMap(({ data }) => (data.kind === 'undo' ? [data.of] : [])))
  return events.filter(({ id, data }) => data.kind !== 'undo' && !undone.has(id))
}

/** The course of the leg that goes on. */
export function courseOf(plan: LivePlan, events: readonly RunEvent[]): Course {
  let course = firstCourse(plan)
  events.forEach(({ data }, i) => {
    if (data.kind !== 'goes-on') return
    const state = runState(events.slice(0, i))
    const { gotNow, tempC, waterNowG } = decidesItself(course)
      ? asPlanned(course, state, state.openedAt!)
      : lookAhead(course, state, state.openedAt!, { bands: false }).outlook(null)
    const { figure, addWaterG, pinch, joins = false } = data
    const opened = { tempC, freeWaterG: waterNowG.value, gets: gotNow.map(({ value }) => value) }
    course = nextCourse(plan, course, opened, { figure, addWaterG, pinch, joins })
  })
  return course
}

/** Every closing of the lid of a run, with the course that it was to follow: for looking back on it. */
export function closingsOf(plan: LivePlan, all: readonly RunEvent[]): { leg: Leg; course: Course }[] {
  const events = withoutUndone(all)
  const state = runState(events)
  const begins = events.flatMap(({ data }, i) => (data.kind === 'goes-on' ? [i + 1] : []))
  return [...state.earlier, state].map((leg, i) => ({
    leg,
    course: courseOf(plan, events.slice(0, i === 0 ? 0 : begins[i - 1])),
  }))
}

function plannedAdvice({ program }: Course): Advice | null {
  const last = program.at(-1)!
  const figure =
    'untilWhistles' in last
      ? last.untilWhistles
      : 'minutesAtPressure' in last
        ? last.minutesAtPressure
        : 'minutes' in last
          ? last.minutes
          : null
  return figure === null ? null : { figure, planned: figure, changed: null }
}

function advise({ needed, getsWith, belief }: Looking, last: Advice | null, state: RunState, course: Course) {
  if (!last || !needed) return last
  const by = course.resolved.style.kind === 'slow' ? 15 : 1
  const gets = getsWith(last.figure)
  const foods = course.resolved.foods.map(({ food }, i) => ({
    food,
    gets: gets[i]! + course.still[i]!,
    needs: course.needs[i]! + course.had[i]! + course.still[i]!,
  }))
  const tooLittle =
    foods.some((one) => one.gets < TOO_LITTLE * one.needs) ||
    isRefused(runCautions({ foods, heatIsOff: true, waterEndG: Infinity }))
  const tooMany = last.figure - needed.value >= Math.max(TOO_MANY * by, TOO_MANY_SHARE * last.figure)
  const figure = Math.ceil(needed.value / by - 1e-9) * by
  if (figure === last.figure || !(tooLittle ? figure > last.figure : tooMany)) return last
  const heat = belief.guess.logHeat
  const why = state.interruptions.some(({ until }) => until !== null)
    ? 'interrupted'
    : Math.abs(heat) < HEAT_MATTERS && state.flameChanges.length > 0
      ? 'flame'
      : heat >= 0
        ? 'faster'
        : 'slower'
  return { ...last, figure, changed: figure === last.planned ? null : ({ from: last.planned, why } as const) }
}
