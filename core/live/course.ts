import { scaled } from '../appliance/parameters'
import { heatsItself, type Appliance } from '../appliance/appliance'
import type { Release, Step } from '../appliance/step.schema'
import { withFigure } from '../appliance/steps'
import { MINUTE_MS } from '../measure/time'
import type { LoadedPot } from '../pot/case.schema'
import { Run, type HeatStep } from '../pot/run'
import type { PlanAnswer } from '../program/answer'
import type { Closing, OpenedPot } from '../program/closing'
import { caseOf } from '../program/closing-case'
import { prepare } from '../program/prepared'
import { closingFrom } from '../program/remedy'
import type { PlanRequest } from '../program/request.schema'
import { closingOf } from '../program/sequence'
import { SHARED_BY_FLAMES } from '../unknown'
import type { Cycle } from './run'

/** A plan as it is followed: what was asked, and what was answered. */
export interface LivePlan {
  request: PlanRequest
  answer: PlanAnswer
}

/** A pot as it may really be: what differs from the plan, each as the logarithm of a factor. */
export interface Guess {
  /** Heat of the flame that it was lit on, or of a device. */
  logHeat: number
  /** Swing of the weight. */
  logSwing: number
  /** Heat of a flame that it was turned to later, besides what that shares with the first. */
  logTurned?: number
  /** Heat that the pot gives off, and steam past its gasket. */
  logLoss?: number
  logLeak?: number
  /** The pressure at which the weight lifts; not learnt while it cooks. */
  logLift?: number
}

/** One closing of the lid: the pot as it was then, and the program it is to follow. */
export interface Course {
  closing: Closing
  pot: LoadedPot
  program: Step[]
  release: Release | null
  /** Boil-minutes that each food had before, and that later closings will give it. */
  had: number[]
  still: number[]
  /** It was planned so that nine such pots in ten are done. */
  isSure: boolean
}

/** A kept plan that cannot be read any more: a food or a cooker that it names is unknown to this version. */
export class UnreadablePlan extends Error {}

/** The first course of a plan. Throws UnreadablePlan where the plan, which was accepted once, is not understood. */
export function firstCourse({ request, answer }: LivePlan): Course {
  const prepared = prepare(request)
  if (!prepared.ok) throw new UnreadablePlan(prepared.problems[0]!.code)
  const still = stillToCome(answer, 0)
  const { program, release, ...pot } = answer.closings[0]!.case
  return {
    closing: closingOf(prepared.value, 0, null, (i) => still[i]!),
    pot,
    program,
    release,
    had: answer.foods.map(() => 0),
    still,
    isSure: answer.closings[0]!.isSure ?? false,
  }
}

/** Boil-minutes that each food will get at the closings after this one, as planned. */
export function stillToCome({ foods, closings }: Pick<PlanAnswer, 'foods' | 'closings'>, closing: number): number[] {
  const later = closings.slice(closing + 1)
  return foods.map((_, i) => later.reduce((sum, one) => sum + one.foods[i]!.gets, 0))
}

/** What a course is after it was opened and closed again, with some boiling water and what joins now. */
export function nextCourse(
  { answer }: LivePlan,
  before: Course,
  opened: OpenedPot,
  { figure, addWaterG, pinch, joins }: NonNullable<Cycle['more']>,
): Course {
  const number = before.closing.number + (joins ? 1 : 0)
  const still = stillToCome(answer, number)
  const closing = closingFrom(before.closing.pot, { ...opened, closing: number, joins, pinch, still })
  return {
    closing,
    pot: caseOf(closing, addWaterG, []),
    program: [...before.program.slice(0, -1), withFigure(before.program.at(-1)!, figure)],
    release: before.release,
    had: [...opened.gets],
    still,
    // What goes on was pinched: the least that it still takes.
    isSure: (joins && answer.closings[number]?.isSure) ?? false,
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

/** A course under a guess, with what has happened in its cycle until then. */
export function replay(
  course: Course,
  cycle: Cycle,
  guess: Guess,
  untilMs: number,
  { trace = false, anchor = null }: { trace?: boolean; anchor?: Anchor | null } = {},
): Run {
  const { pot, program } = course
  const run = new Run({ ...pot, appliance: guessed(pot.appliance, guess) }, { trace })
  let heat: Step = program[0]!
  const turnOn = () => heat.kind !== 'profile' && run.heat(heated(course, heat, guess))
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
    const minute = Math.max(0, (ms - cycle.litAt!) / MINUTE_MS)
    return anchor ? Math.min(minute, anchor.minute) : minute
  }

  function happenings(): { at: number; act: () => void }[] {
    const found: { at: number; act: () => void }[] = []
    for (const { at, flame } of cycle.flameChanges)
      found.push({
        at,
        act: () => {
          heat = flameStep(course.closing.pot.burner[flame])
          turnOn()
        },
      })
    for (const { at, why, until } of cycle.interruptions) {
      found.push({
        at,
        act: () => {
          run.heat(flameStep(0))
          if (why === 'weight') run.valve(true)
        },
      })
      if (until !== null && until !== cycle.heatOffAt)
        found.push({
          at: until,
          act: () => {
            if (why === 'weight') run.valve(false)
            turnOn()
          },
        })
    }
    const offAt = heatOffMs(course, cycle)
    if (offAt !== null) found.push({ at: offAt, act: () => run.off() })
    if (cycle.valveOpenedAt !== null) found.push({ at: cycle.valveOpenedAt, act: () => run.valve(true) })
    return found.sort((a, b) => a.at - b.at)
  }
}

/** When the heat went off: as the cook says, or as a device does by itself, whichever came first; null while it is on. */
export function heatOffMs(course: Course, cycle: Cycle): number | null {
  const own = ownEndMs(course, cycle)
  if (own === null) return cycle.heatOffAt
  return cycle.heatOffAt === null ? own : Math.min(own, cycle.heatOffAt)
}

/** When a device that keeps its own time switches itself off; null where the cook does, or nobody can tell. */
function ownEndMs({ program, pot }: Course, cycle: Cycle): number | null {
  const step = program.at(-1)!
  // After a power cut its clock starts anew.
  if (!heatsItself(pot.appliance) || cycle.litAt === null || cycle.interruptions.length > 0) return null
  if (step.kind === 'at-pressure')
    return cycle.atPressureAt === null ? null : cycle.atPressureAt + step.minutesAtPressure * MINUTE_MS
  if (step.kind === 'level' || step.kind === 'temperature') return cycle.litAt + step.minutes * MINUTE_MS
  return null
}

/** A flame of so much heat, for nobody knows how long. */
export const flameStep = (heatW: number): HeatStep => ({ kind: 'minutes', heatW, minutes: 0 })

/** A step's heat as it is under a guess: a flame that it was turned to later is off by what the flames share, and its own. */
export function heated<S extends Step>({ program }: Pick<Course, 'program'>, step: S, guess: Guess): S {
  if (!('heatW' in step)) return step
  const [first] = program
  const isFirst = !('heatW' in first!) || first.heatW === step.heatW
  const log = isFirst ? guess.logHeat : SHARED_BY_FLAMES * guess.logHeat + (guess.logTurned ?? 0)
  return { ...step, heatW: step.heatW * Math.exp(log) }
}

function guessed(appliance: Appliance, { logHeat, logSwing, logLift = 0, logLoss = 0, logLeak = 0 }: Guess): Appliance {
  return scaled(appliance, {
    heat: Math.exp(logHeat),
    swing: Math.exp(logSwing),
    pressure: Math.exp(logLift),
    loss: Math.exp(logLoss),
    leak: Math.exp(logLeak),
  })
}
