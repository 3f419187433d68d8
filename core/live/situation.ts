import { kindOf } from '../appliance/appliance'
import { MINUTE_MS } from '../measure/time'
import { endsByItself, shapeOf, type StyleShape } from '../program/styles'
import { heatOffMs, type Course, type Guess } from './course'
import type { Belief } from './infer'
import type { Heard, Match } from './match'
import { overdueOf, type Overdue } from './overdue'
import { lastCycle, type Cycle, type RunState } from './run'
import { lastStepSince } from './steps'

/** A cycle as it stands at a moment, with what is believed of its pot: what looking ahead starts from. */
export interface Situation {
  course: Course
  state: RunState
  cycle: Cycle
  nowMs: number
  belief: Belief
  heard: Heard
  /** It is counted by whistles. */
  whistling: boolean
  /** How many whistles the likeliest pot has given. */
  matched: number
  /** If false, nothing came of it or most of what did does not fit: the cook's count and the planned figure stand. */
  understood: boolean
  /** Nothing more has come of it though it is long due; null otherwise. */
  overdue: Overdue | null
  /** Null where the device decides by itself. */
  shape: StyleShape | null
  /** When the heat went off, and whether it has: a device that has switched itself off falls from then on, whatever the cook has said. */
  offAt: number | null
  isOff: boolean
  /** When the step in which the figure is counted began; null before. */
  since: number | null
  /** Whistles so far, those missed counted in and false ones out; minutes so far in other styles. */
  soFar: number
}

/** From so many whistles, and such a share of all, that fit nothing, the pot is not the one that was planned. */
const LEAST_FALSE = 2
const FALSE_SHARE = 0.34

export function situationOf(
  course: Course,
  state: RunState,
  nowMs: number,
  belief: Belief,
  heard: Heard,
  before?: Guess,
): Situation {
  const cycle = lastCycle(state)
  const { style, burner, cooker } = course.closing.pot
  const falses = belief.match.of.filter((which) => which === null).length
  const overdue = overdueOf(course, state, heard, nowMs, before)
  const understood =
    overdue?.after !== 'lit' && (falses < LEAST_FALSE || falses <= FALSE_SHARE * belief.match.of.length)
  const matched = understood ? lastOf(belief.match) + 1 : cycle.whistles.length
  const shape = endsByItself(style) ? null : shapeOf(style, burner, cooker.appliance)
  const offAt = heatOffMs(course, cycle)
  const since = lastStepSince(course, cycle)
  const minutes = () =>
    since === null ? 0 : Math.max(0, ((offAt === null ? nowMs : Math.min(nowMs, offAt)) - since) / MINUTE_MS)
  return {
    course,
    state,
    cycle,
    nowMs,
    belief,
    heard,
    whistling: kindOf(course.pot.appliance).tells === 'whistles',
    matched,
    understood,
    overdue,
    shape,
    offAt,
    isOff: offAt !== null && offAt <= nowMs,
    since,
    soFar: shape?.unit === 'whistles' ? matched : minutes(),
  }
}

function lastOf({ of }: Match): number {
  return of.findLast((which) => which !== null) ?? -1
}
