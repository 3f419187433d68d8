import { holdsPressure } from '../appliance/appliance'
import { MINUTE_MS } from '../measure/time'
import { pointAt, retimed } from '../pot/curve'
import { OPENS_PA } from '../pot/run'
import { simulate } from '../pot/simulate'
import type { Simulation } from '../pot/simulation'
import { endsByItself } from '../program/styles'
import { UNMEASURED } from '../unknown'
import type { Course, Guess } from './course'
import { Future } from './future'
import { heardOf, infer, type Belief } from './infer'
import { questionsOf, type Question } from './questions'
import { lastLeg, type RunState } from './run'
import { situationOf, type Situation } from './situation'

/** A figure with the band of one standard deviation around it. */
export interface Banded {
  value: number
  low: number
  high: number
}

/** How a run stands and where it is going, for one figure of its program. */
export interface Outlook {
  /** Heat into the pot as a share of what was planned. */
  heatShare: Banded
  /** Boil-minutes of each food by now, and when the lid opens with the figure that is advised. */
  gotNow: Banded[]
  willGet: Banded[]
  waterNowG: Banded
  waterEndG: Banded
  tempC: number
  gaugePa: number
  /** Whistles so far, those missed counted in and false ones out; minutes so far in other styles. */
  soFar: number
  whistlesSoFar: number
  /** Most of what is counted does not fit this pot if false: the cook's count and the planned figure stand. */
  understood: boolean
  /** The figure that would just do, by what is known now; null where the cooker decides or the heat is off. */
  needed: Banded | null
  /** When the next whistle is due, in ms since 1970. */
  nextWhistleAt: number | null
  heatOffAt: number
  opensAt: Banded
  /** From when on the pressure may be gone at the earliest, in ms since 1970. */
  opensFrom: number
  questions: Question[]
  /** The pot as it is believed to have been and to go on. */
  curve: Simulation
}

/** An open valve lets the pressure of any of these pots out within this time (engineering estimate). */
const VALVE_MS = 5 * MINUTE_MS

/** What a run looks like from now. */
export interface Looking {
  belief: Belief
  needed: Banded | null
  /** Boil-minutes that each food would have with a figure. */
  getsWith(figure: number): number[]
  /** All that is to be told, with the figure that is advised (the program as planned where there is none). */
  outlook(advised: number | null): Outlook
}

/** Something with a band: the likeliest future, and those one deviation to each side. */
class Futures {
  readonly centre: Future
  private readonly around: Future[]

  constructor(at: Situation, bands: boolean) {
    const { guess, directions } = at.belief
    this.centre = new Future(at, guess, bands)
    const sides: Guess[] = bands ? [...directions, { logHeat: 0, logSwing: 0, logLift: UNMEASURED.lift }] : []
    this.around = sides.flatMap((side) => [
      new Future(at, moved(guess, side, -1)),
      new Future(at, moved(guess, side, 1)),
    ])
  }

  banded(of: (one: Future) => number): Banded {
    const value = of(this.centre)
    const shifts = this.around.map((one) => of(one) - value)
    const reach = (sign: 1 | -1) => Math.hypot(...shifts.filter((shift) => shift * sign > 0))
    return { value, low: value - reach(-1), high: value + reach(1) }
  }

  /** Every future carried on to its end; the likeliest last, so that its run holds the whole curve. */
  ends(figure: number | null) {
    return new Map([...this.around, this.centre].map((one) => [one, one.goOn(figure)]))
  }
}

/**
 * Infers what the pot is like and looks ahead. Bands of one standard deviation come from moving the guess one
 * deviation each way along each of its axes, and the weight's lift, which whistles do not tell; without
 * `bands` only the likeliest pot is followed. `before` is an earlier guess to start from. The leg must have been lit.
 */
export function lookAhead(
  course: Course,
  state: RunState,
  nowMs: number,
  { bands = true, before }: { bands?: boolean; before?: Guess } = {},
): Looking {
  const heard = heardOf(state, nowMs)
  const belief = infer(course, state, nowMs, before)
  const at = situationOf(course, state, nowMs, belief, heard)
  const futures = new Futures(at, bands)
  const { centre } = futures
  const needed = centre.needed === null || !at.understood ? null : futures.banded((one) => one.needed ?? centre.needed!)
  return {
    belief,
    needed,
    getsWith: (figure) => centre.goOn(figure).gets.map((got, i) => got + course.had[i]!),
    outlook: (advised) => outlookOf(at, futures, needed, advised),
  }
}

function outlookOf(at: Situation, futures: Futures, needed: Banded | null, advised: number | null): Outlook {
  const { course, state, leg, nowMs, belief, matched, understood, isOff, offAt, whistling } = at
  const { centre } = futures
  const msOf = (minute: number) => leg.litAt! + minute * MINUTE_MS
  const ends = futures.ends(advised)
  const opens = futures.banded((one) => ends.get(one)!.openMinute)
  const heatReach = Math.hypot(...belief.directions.map(({ logHeat }) => logHeat))
  const curve = centre.run.result()
  const due = whistling ? curve.whistleMinutes[matched] : undefined
  const down = curve.trace.length > 0 && isOff && centre.now.gaugePa <= OPENS_PA
  const { logHeat } = belief.guess
  return {
    heatShare: {
      value: Math.exp(logHeat),
      low: Math.exp(logHeat - heatReach),
      high: Math.exp(logHeat + heatReach),
    },
    gotNow: course.had.map((had, i) => futures.banded((one) => had + one.gotNow[i]!)),
    willGet: course.had.map((had, i) => futures.banded((one) => had + ends.get(one)!.gets[i]!)),
    waterNowG: futures.banded((one) => one.now.freeWaterG),
    waterEndG: futures.banded((one) => ends.get(one)!.waterG),
    tempC: centre.now.tempC,
    gaugePa: centre.now.gaugePa,
    soFar: at.soFar,
    whistlesSoFar: matched,
    understood,
    needed,
    nextWhistleAt: state.phase === 'heating' && due !== undefined ? msOf(due - centre.late) : null,
    heatOffAt: offAt ?? msOf(ends.get(centre)!.heatOffMinute),
    opensAt: { value: msOf(opens.value), low: msOf(opens.low), high: msOf(opens.high) },
    opensFrom: !isOff ? Infinity : down ? Math.min(nowMs, msOf(opens.low)) : msOf(opens.low),
    questions: whistling && understood ? questionsOf(at) : [],
    curve: retimed(curve, centre.realMinute),
  }
}

/** From when on the pressure may be gone at the earliest, in ms since 1970; the leg must have been lit. */
export function opensFrom(course: Course, state: RunState, nowMs: number): number {
  const outlook = endsByItself(course.closing.pot.style)
    ? asPlanned(course, state, nowMs)
    : lookAhead(course, state, nowMs).outlook(null)
  return outlook.opensFrom
}

function moved(guess: Guess, by: Guess, sign: number): Guess {
  return {
    logHeat: guess.logHeat + sign * by.logHeat,
    logSwing: guess.logSwing + sign * by.logSwing,
    logLift: sign * (by.logLift ?? 0),
  }
}

/** A cooker that decides for itself, or follows a measured program, is told as it was planned. */
export function asPlanned(course: Course, state: RunState, nowMs: number): Outlook {
  const { litAt, heatOffAt: saidOffAt, valveOpenedAt, whistles } = lastLeg(state)
  const curve = simulate({ ...course.pot, program: course.program, release: course.release }, { trace: true })
  const msOf = (minute: number) => litAt! + minute * MINUTE_MS
  const { gaugePa, tempC, freeWaterKg, boilMinutes } = pointAt(curve.trace, (nowMs - litAt!) / MINUTE_MS)
  const sure = (value: number): Banded => ({ value, low: value, high: value })
  // What comes after the last heat is the rest, or the release.
  const offMinute = curve.trace.findLast(({ heatW }) => heatW > 0)?.minute ?? curve.heatOffMinute
  const heatOffAt = saidOffAt ?? msOf(offMinute)
  const opensAt = heatOffAt + (curve.heatOffMinute + curve.releaseMinutes - offMinute) * MINUTE_MS
  // Stopped before its time a device holds its pressure, and no curve was measured for that: the measured end
  // stands, or some minutes after the valve was opened.
  const measuredEnd = Math.max(opensAt, msOf(curve.heatOffMinute + curve.releaseMinutes))
  const downFrom = valveOpenedAt === null ? measuredEnd : Math.min(measuredEnd, valveOpenedAt + VALVE_MS)
  return {
    heatShare: sure(1),
    gotNow: boilMinutes.map(sure),
    willGet: curve.boilMinutes.map(sure),
    waterNowG: sure(freeWaterKg * 1000),
    waterEndG: sure(curve.freeWaterLeftG),
    tempC,
    gaugePa,
    soFar: 0,
    whistlesSoFar: whistles.length,
    understood: true,
    needed: null,
    nextWhistleAt: null,
    heatOffAt,
    opensAt: sure(opensAt),
    opensFrom: saidOffAt === null ? Infinity : holdsPressure(course.pot.appliance) ? downFrom : opensAt,
    questions: [],
    curve,
  }
}
