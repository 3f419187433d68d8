import { holdsPressure } from '../pot/appliance'
import type { Appliance } from '../pot/appliance'
import type { Release, SimulationCase, Step } from '../pot/case'
import type { Burner } from '../pot/cookers'
import { startRun, type Run } from '../pot/run'
import type { PlanAnswer } from '../program/answer'
import { caseOf } from '../program/load'
import type { PlanRequest } from '../program/request'
import { atClosing, resolve, type ResolvedPlan } from '../program/resolve'
import { stillNeeds } from '../program/remedy'
import type { Leg } from './run'
import { withFigure } from './steps'

/** A plan as it is followed: what was asked, and what was answered. */
export interface LivePlan {
  request: PlanRequest
  answer: PlanAnswer
}

/** A pot as it may really be: its heat, and the swing of its weight, as logarithms of the share of what was planned. */
export interface Guess {
  logHeat: number
  logSwing: number
  /** Of the pressure at which the weight lifts; not learnt while it cooks. */
  logLift?: number
}

/** One closing of the lid: the pot as it was then, and the program it is to follow. */
export interface Course {
  pot: Omit<SimulationCase, 'program' | 'release'>
  program: Step[]
  release: Release | null
  burner: Burner
  resolved: ResolvedPlan
  /** Which of the plan's closings of the lid this is. */
  closing: number
  /** Boil-minutes that each food had before, that it is to get now, and that later closings will give it. */
  had: number[]
  needs: number[]
  still: number[]
}

const MINUTE_MS = 60_000

/** The first course of a plan. Throws if the plan, which was accepted once, cannot be read any more. */
export function firstCourse({ request, answer }: LivePlan): Course {
  const resolved = resolve(request)
  if (!resolved.ok) throw new TypeError(resolved.problems[0]!.message)
  const { program, release, ...pot } = answer.simulation
  return {
    pot,
    program,
    release,
    burner: resolved.value.burner,
    resolved: resolved.value,
    closing: 0,
    had: answer.foods.map(() => 0),
    needs: needsNow(answer, resolved.value, 0, (i) => answer.foods[i]!.needs),
    still: stillToCome(answer, 0),
  }
}

/** Boil-minutes that each food will get at the closings after this one, as planned. */
export function stillToCome({ foods, later = [] }: Pick<PlanAnswer, 'foods' | 'later'>, closing: number): number[] {
  return foods.map((_, i) => later.slice(closing).reduce((sum, { gets }) => sum + gets[i]!, 0))
}

/** What each food that is in the pot has to get at this closing. */
function needsNow(answer: PlanAnswer, plan: ResolvedPlan, closing: number, missing: (food: number) => number) {
  const still = stillToCome(answer, closing)
  return plan.foods.map(({ absent }, i) => (absent ? 0 : Math.max(0, missing(i) - still[i]!)))
}

/** What a course is after it was opened and closed again, with some boiling water and what joins now. */
export function nextCourse(
  { answer }: LivePlan,
  before: Course,
  opened: { tempC: number; freeWaterG: number; gets: readonly number[] },
  more: NonNullable<Leg['more']>,
): Course {
  const closing = before.closing + (more.joins ? 1 : 0)
  const { tempC, freeWaterG } = opened
  const resolved: ResolvedPlan = {
    ...atClosing(before.resolved, closing),
    goesOnFrom: { tempC, freeWaterG, ...(more.joins ? { closing } : {}) },
  }
  return {
    ...before,
    resolved,
    pot: caseOf(resolved, more.addWaterG, []),
    program: [...before.program.slice(0, -1), withFigure(before.program.at(-1)!, more.figure)],
    closing,
    had: [...opened.gets],
    needs: needsNow(answer, resolved, closing, (i) =>
      stillNeeds(resolved.foods[i]!, opened.gets[i]!, more.pinch[i] ?? null),
    ),
    still: stillToCome(answer, closing),
  }
}

/**
 * A moment at which the simulated pot is known to be where the real one was: what comes after it is
 * counted from there. A pot just before its whistle is far hotter than one just after it, so half a second
 * between the two would cost a third of the cooking that is still to come.
 */
export interface Anchor {
  /** In ms since 1970, and where in the simulation that is. */
  atMs: number
  minute: number
}

/** A course under a guess, with what has happened in its leg until then. */
export function replay(
  course: Course,
  leg: Leg,
  guess: Guess,
  untilMs: number,
  { trace = false, anchor = null }: { trace?: boolean; anchor?: Anchor | null } = {},
): Run {
  const { pot, program } = course
  const run = startRun({ ...pot, appliance: guessed(pot.appliance, guess) }, { trace })
  const heatTimes = Math.exp(guess.logHeat)
  const first = program[0]!
  let heat: Step = first
  const turnOn = () => !('profile' in heat) && run.heat(heated(heat, heatTimes))
  turnOn()
  for (const { at, act } of happenings()) {
    if (at > untilMs) break
    run.until(minuteOf(at))
    act()
  }
  run.until(minuteOf(untilMs))
  return run

  function minuteOf(ms: number): number {
    if (anchor && ms >= anchor.atMs) return anchor.minute + (ms - anchor.atMs) / MINUTE_MS
    const minute = Math.max(0, (ms - leg.litAt!) / MINUTE_MS)
    return anchor ? Math.min(minute, anchor.minute) : minute
  }

  function happenings(): { at: number; act: () => void }[] {
    const found: { at: number; act: () => void }[] = []
    for (const { at, flame } of leg.flameChanges)
      found.push({
        at,
        act: () => {
          heat = { heatW: course.burner[flame], minutes: 0 }
          turnOn()
        },
      })
    for (const { at, why, until } of leg.interruptions) {
      found.push({
        at,
        act: () => {
          run.heat({ heatW: 0, minutes: 0 })
          if (why === 'weight') run.valve(true)
        },
      })
      if (until !== null && until !== leg.heatOffAt)
        found.push({
          at: until,
          act: () => {
            if (why === 'weight') run.valve(false)
            turnOn()
          },
        })
    }
    const offAt = heatOffMs(course, leg)
    if (offAt !== null) found.push({ at: offAt, act: () => run.off() })
    if (leg.valveOpenedAt !== null) found.push({ at: leg.valveOpenedAt, act: () => run.valve(true) })
    return found.sort((a, b) => a.at - b.at)
  }
}

/** When the heat went off: as the cook says, or as a device does by itself, whichever came first; null while it is on. */
export function heatOffMs(course: Course, leg: Leg): number | null {
  const own = ownEndMs(course, leg)
  if (own === null) return leg.heatOffAt
  return leg.heatOffAt === null ? own : Math.min(own, leg.heatOffAt)
}

/** When a device that keeps its own time switches itself off; null where the cook does, or nobody can tell. */
function ownEndMs({ program, pot }: Course, leg: Leg): number | null {
  const step = program.at(-1)!
  // After a power cut its clock starts anew.
  if (leg.litAt === null || leg.interruptions.length > 0) return null
  if ('minutesAtPressure' in step)
    return leg.atPressureAt === null ? null : leg.atPressureAt + step.minutesAtPressure * MINUTE_MS
  if ((pot.appliance.kind === 'slow' || pot.appliance.kind === 'bowl') && 'minutes' in step)
    return leg.litAt + step.minutes * MINUTE_MS
  return null
}

/** A step's heat as it really is. */
export function heated<S extends Step>(step: S, times: number): S {
  return 'heatW' in step ? { ...step, heatW: step.heatW * times } : step
}

function guessed(appliance: Appliance, { logHeat, logSwing, logLift = 0 }: Guess): Appliance {
  const heatTimes = Math.exp(logHeat)
  const lift = Math.exp(logLift)
  const hot: Appliance =
    'heaterW' in appliance
      ? { ...appliance, heaterW: appliance.heaterW * heatTimes }
      : appliance.kind === 'slow'
        ? { ...appliance, lowW: appliance.lowW * heatTimes, highW: appliance.highW * heatTimes }
        : appliance
  if (!holdsPressure(hot)) return hot
  if (hot.kind === 'electric') return { ...hot, highPa: hot.highPa * lift, lowPa: hot.lowPa * lift }
  const liftPa = hot.liftPa * lift
  const swing = Math.min(0.9, (1 - hot.reseatPa / hot.liftPa) * Math.exp(logSwing))
  return { ...hot, liftPa, reseatPa: liftPa * (1 - (hot.kind === 'whistling' ? swing : 1 - hot.reseatPa / hot.liftPa)) }
}
