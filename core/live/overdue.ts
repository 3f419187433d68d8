import { holdsPressure, kindOf } from '../appliance/appliance'
import { MINUTE_MS } from '../measure/time'
import type { Run } from '../pot/run'
import { replay, type Course, type Guess } from './course'
import { expectedOf, heatReach, heatSd, infer } from './infer'
import { liquidOf } from './liquid'
import type { Heard } from './match'
import { lastCycle, type Cycle, type RunState } from './run'
import { goesByMinutes, isTurnedUpAgain } from './steps'

/** A pot from which nothing came for longer than it should: no whistle, no pressure, or no more whistles. */
export interface Overdue {
  /** Since when it is quiet: from lighting, or from the last whistle. */
  after: 'lit' | 'whistle'
  /** When the next sign was due, in ms since 1970; null if by what is believed none comes. */
  dueAt: number | null
  /** When those that may have slipped by since would have come, at the pot's pace. */
  slippedAt: number[]
  /** Liquid in g over the least that keeps the base wet, if all the heat went into steam since then. */
  leastWaterG: number
  /** Steam in g that the flame makes before somebody is there. */
  untilThereG: number
}

/** So many standard deviations of the heat may a pot be late before it is asked about. */
const LATE_SDS = 2
/** And so many more in any case: hands, and a lid that seals slowly (engineering estimate). */
const LATE_MINUTES = 1
/** A pot of which no further whistle is expected is asked about after so long (engineering estimate). */
const NEVER_DUE_MINUTES = 10
/** A whistle that was due this long ago would have been heard by now. */
const JUST_DUE_MS = 15_000
/** Somebody who is called is at the stove within this time (engineering estimate). */
const THERE_MINUTES = 10
const LATENT_J_PER_G = 2200

/** True while the program goes by what the pot tells: who cooks by the clock need not say that it whistles. */
function waitsForSign(course: Course, cycle: Cycle): boolean {
  const { program, pot } = course
  if (!holdsPressure(pot.appliance)) return false
  if (isTurnedUpAgain(course, cycle)) return true
  const [first] = program
  if (goesByMinutes(program) && cycle.flameChanges.length > 0) return false
  return ['whistles', 'pressure', 'at-pressure'].includes(first!.kind)
}

/**
 * What to make of a pot that is on the heat and from which nothing was heard for so long; null while it may just be
 * slow. The weight may not sit, a gasket may leak, a flame may be out, or nobody may have counted.
 */
export function overdueOf(
  course: Course,
  state: RunState,
  heard: Heard,
  nowMs: number,
  before?: Guess,
): Overdue | null {
  const cycle = lastCycle(state)
  if (state.phase !== 'heating' || !waitsForSign(course, cycle)) return null
  const lastAt = cycle.whistles.at(-1)?.at
  if (lastAt === undefined) return heard.minutes.length > 0 ? null : beforeAny(course, cycle, nowMs)
  if (kindOf(course.pot.appliance).tells !== 'whistles') return null
  // What was believed when the last one was heard: the silence itself must not explain itself away.
  const then = { ...state, cycles: [...state.cycles.slice(0, -1), cycle] as RunState['cycles'] }
  const belief = infer(course, then, lastAt, before)
  const due = expectedOf(course, cycle, belief.guess, nowMs)
  const which = belief.match.of.findLast((one) => one !== null) ?? -1
  const pace = which < 0 ? 0 : due[which]! - (lastAt - cycle.litAt!) / MINUTE_MS
  const msOf = (minute: number) => cycle.litAt! + (minute - pace) * MINUTE_MS
  const next = due[which + 1]
  const dueAt = next === undefined ? null : msOf(next)
  // Quiet since the last whistle, or since it was said that none came, or the pot was changed.
  const quietSince = Math.max(lastAt, cycle.quietAt ?? 0, changedAt(cycle))
  const spread = Math.exp(LATE_SDS * heatReach(belief.directions))
  const waitMinutes =
    dueAt === null ? NEVER_DUE_MINUTES : Math.max(1, (dueAt - lastAt) / MINUTE_MS) * spread + LATE_MINUTES
  if (nowMs - quietSince < waitMinutes * MINUTE_MS) return null
  const hotter = { ...belief.guess, logHeat: belief.guess.logHeat + heatReach(belief.directions) }
  const open = replay(course, { ...cycle, valveOpenedAt: lastAt }, hotter, nowMs)
  return {
    after: 'whistle',
    dueAt,
    slippedAt: due
      .slice(which + 1)
      .map(msOf)
      .filter((at) => at > (cycle.quietAt ?? 0) && at < nowMs - JUST_DUE_MS),
    leastWaterG: spareG(course, open),
    untilThereG: untilThereG(course, cycle),
  }
}

function spareG(course: Course, run: Run): number {
  const liquid = liquidOf(course)
  const gets = run.boilMinutes().map((got, i) => got + course.had[i]!)
  return liquid.around(run.now().freeWaterG, gets) - liquid.leastG
}

function beforeAny(course: Course, cycle: Cycle, nowMs: number): Overdue | null {
  const [due] = expectedOf(course, cycle, { logHeat: 0, logSwing: 0 }, nowMs)
  const sd = heatSd(course)
  const elapsed = (nowMs - cycle.litAt!) / MINUTE_MS
  if (due === undefined || elapsed < due * Math.exp(LATE_SDS * sd) + LATE_MINUTES) return null
  // With the weight off from the start, on the hotter side of what the flame may be.
  const open = replay(course, { ...cycle, valveOpenedAt: cycle.litAt }, { logHeat: sd, logSwing: 0 }, nowMs)
  return {
    after: 'lit',
    dueAt: cycle.litAt! + due * MINUTE_MS,
    slippedAt: [],
    leastWaterG: spareG(course, open),
    untilThereG: untilThereG(course, cycle),
  }
}

/** When something was last done to a pot on the heat that its next whistle has to be waited for anew. */
function changedAt({ flameChanges, interruptions }: Cycle): number {
  return Math.max(0, flameChanges.at(-1)?.at ?? 0, interruptions.at(-1)?.until ?? 0)
}

function untilThereG({ program, closing, pot }: Course, { flameChanges }: Cycle): number {
  const [first] = program
  const flame = flameChanges.at(-1)?.flame
  const own = 'heaterW' in pot.appliance ? pot.appliance.heaterW : 0
  const heatW = flame ? closing.pot.burner[flame] : 'heatW' in first! ? first.heatW : own
  return (heatW * THERE_MINUTES * 60) / LATENT_J_PER_G
}
