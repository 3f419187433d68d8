import { holdsPressure } from '../appliance/appliance'
import { MINUTE_MS } from '../measure/time'
import { pointAt, retimed } from '../pot/curve'
import { simulate } from '../pot/simulate'
import type { Simulation } from '../pot/simulation'
import { endsByItself } from '../program/styles'
import { UNMEASURED } from '../unknown'
import type { Course, Guess } from './course'
import { Future, NATURAL, type End } from './future'
import { heardOf, heatReach, heatSd, infer, type Belief } from './infer'
import { liquidOf, type Liquid } from './liquid'
import type { Overdue } from './overdue'
import { questionsOf, type Question } from './questions'
import { lastCycle, ventedSince, type RunState } from './run'
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
  /** Water in the pot, what foods have drunk of it counted in, for carrying on from there. */
  waterNowG: Banded
  /** Liquid around the foods, now and when the lid opens, and the least of it with which the base does not scorch. */
  liquidNowG: Banded
  liquidEndG: Banded
  leastLiquidG: number
  tempC: number
  gaugePa: number
  /** Whistles so far, those missed counted in and false ones out; minutes so far in other styles. */
  soFar: number
  whistlesSoFar: number
  /** If false, nothing came of it or most of what did does not fit: the cook's count and the planned figure stand. */
  understood: boolean
  /** Nothing more has come of it though it is long due; null otherwise. */
  overdue: Overdue | null
  /** It was quiet for too long, and even on the low side every food has what it needs if the heat goes off now. */
  hasEnough: boolean
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

/** So many standard deviations hotter than planned is a pot taken to be of which nothing was heard. */
const HOT_SDS = 2
/** An open valve lets the pressure of any of these pots out within this time (engineering estimate). */
const VALVE_MS = 5 * MINUTE_MS

/** What a run looks like from now. */
export interface Looking {
  belief: Belief
  needed: Banded | null
  overdue: Overdue | null
  soFar: number
  leastLiquidG: number
  /** Boil-minutes that each food would have with a figure, and the liquid around them. */
  endWith(figure: number): { gets: Banded[]; liquidG: Banded }
  /** All that is to be told, with the figure that is advised (the program as planned where there is none). */
  outlook(advised: number | null): Outlook
}

/** Something with a band: the likeliest future, and those one deviation to each side. */
class Futures {
  readonly centre: Future
  private readonly around: Future[]

  constructor(
    at: Situation,
    readonly bands: boolean,
  ) {
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
 * `bands` only the likeliest pot is followed. `before` is an earlier guess to start from. The cycle must have been lit.
 */
export function lookAhead(
  course: Course,
  state: RunState,
  nowMs: number,
  { bands = true, before }: { bands?: boolean; before?: Guess } = {},
): Looking {
  const heard = heardOf(course, state, nowMs)
  const belief = infer(course, state, nowMs, before)
  const at = situationOf(course, state, nowMs, belief, heard, before)
  const futures = new Futures(at, bands)
  const liquid = liquidOf(course)
  const { centre } = futures
  // A pot that may never do it, however long it goes on, has no upper end.
  const needed = centre.needed === null || !at.understood ? null : futures.banded((one) => one.needed ?? Infinity)
  return {
    belief,
    needed,
    overdue: at.overdue,
    soFar: at.soFar,
    leastLiquidG: liquid.leastG,
    endWith(figure) {
      const ends = futures.ends(figure)
      return { gets: getsOf(course, futures, ends), liquidG: liquidBand(liquid, course, futures, ends) }
    },
    outlook: (advised) => outlookOf(at, futures, needed, advised, liquid),
  }
}

const getsOf = ({ had }: Course, futures: Futures, ends: ReadonlyMap<Future, End>) =>
  had.map((before, i) => futures.banded((one) => before + ends.get(one)!.gets[i]!))

const liquidBand = (liquid: Liquid, { had }: Course, futures: Futures, ends: ReadonlyMap<Future, End>) =>
  futures.banded((one) => {
    const { waterG, gets } = ends.get(one)!
    return liquid.around(
      waterG,
      gets.map((got, i) => got + had[i]!),
    )
  })

/** Bands hold the truth of four pots in five between so many standard deviations. */
export const FOUR_IN_FIVE = 1.28

/** What nine pots in ten have more of. */
export const surely = ({ value, low }: Banded) => value - FOUR_IN_FIVE * (value - low)

function outlookOf(
  at: Situation,
  futures: Futures,
  needed: Banded | null,
  advised: number | null,
  liquid: Liquid,
): Outlook {
  const { course, state, cycle, belief, matched, understood, offAt, whistling } = at
  const { centre } = futures
  const msOf = (minute: number) => cycle.litAt! + minute * MINUTE_MS
  const ends = futures.ends(advised)
  const opens = futures.banded((one) => ends.get(one)!.openMinute)
  const reach = heatReach(belief.directions)
  const curve = centre.run.result()
  const due = whistling ? curve.whistleMinutes[matched] : undefined
  const { logHeat } = belief.guess
  return {
    heatShare: {
      value: Math.exp(logHeat),
      low: Math.exp(logHeat - reach),
      high: Math.exp(logHeat + reach),
    },
    gotNow: course.had.map((had, i) => futures.banded((one) => had + one.gotNow[i]!)),
    willGet: getsOf(course, futures, ends),
    waterNowG: futures.banded((one) => one.now.freeWaterG),
    liquidNowG: atMost(
      liquid.pouredG,
      futures.banded((one) =>
        liquid.around(
          one.now.freeWaterG,
          one.gotNow.map((got, i) => got + course.had[i]!),
        ),
      ),
    ),
    liquidEndG: atMost(liquid.pouredG, liquidBand(liquid, course, futures, ends)),
    leastLiquidG: liquid.leastG,
    tempC: centre.now.tempC,
    gaugePa: centre.now.gaugePa,
    soFar: at.soFar,
    whistlesSoFar: matched,
    understood,
    overdue: at.overdue,
    hasEnough: at.overdue?.after === 'whistle' && hasEnough(at, futures),
    needed,
    nextWhistleAt: state.phase === 'heating' && due !== undefined ? msOf(due - centre.late) : null,
    heatOffAt: offAt ?? msOf(ends.get(centre)!.heatOffMinute),
    opensAt: { value: msOf(opens.value), low: msOf(opens.low), high: msOf(opens.high) },
    opensFrom: opensFromMs(at, futures.bands),
    questions: whistling && understood ? questionsOf(at) : [],
    curve: retimed(curve, centre.realMinute),
  }
}

/** True if every food has what it needs even on the low side, should the heat go off now. */
function hasEnough({ course }: Situation, futures: Futures): boolean {
  const { needs, pot } = course.closing
  // A bag that needs more than most is none the wiser for the silence.
  const margin = (1 + (pot.request.spread?.batch ?? UNMEASURED.batch)) ** FOUR_IN_FIVE
  return needs.every(
    (need, i) => need === 0 || surely(futures.banded((one) => one.stopNow().gets[i]!)) >= need * margin,
  )
}

const atMost = (mostG: number, { value, low, high }: Banded): Banded => ({
  value: Math.min(mostG, value),
  low: Math.min(mostG, low),
  high: Math.min(mostG, high),
})

/**
 * From when on the pressure may be gone at the earliest, in ms since 1970; Infinity while the heat is on. Worked out
 * from the last thing that was done to the pot, so that it is the same however late it is asked, and without a valve
 * that nobody said was opened.
 */
function opensFromMs(at: Situation, bands: boolean): number {
  const { cycle, isOff, offAt } = at
  if (!isOff) return Infinity
  const then = { ...at, nowMs: Math.max(offAt!, cycle.valveOpenedAt ?? offAt!) }
  const futures = new Futures(then, bands)
  const lowMs = cycle.litAt! + futures.banded((one) => one.fallen()).low * MINUTE_MS
  return Math.max(lowMs, sureFallMs(then, futures.centre.run.result(), lowMs))
}

/**
 * Until when a pot is waited for whatever is believed of it, in ms since 1970, so that it is never the sum that opens
 * a lid by mistake. A pot of which nothing was heard may have come to pressure with nobody counting: it is taken to
 * heat well. Where something was heard and fits no pot like this, or one that has boiled dry or has no pressure to
 * lose, it falls as long as was planned with the weight on, or the few minutes that an open valve takes.
 */
function sureFallMs(at: Situation, { ending }: Simulation, believedMs: number): number {
  const { course, cycle, understood, offAt, heard } = at
  if (!holdsPressure(course.pot.appliance)) return -Infinity
  if (heard.minutes.length === 0)
    return cycle.litAt! + new Future(at, { logHeat: HOT_SDS * heatSd(course), logSwing: 0 }).fallen() * MINUTE_MS
  if (understood && ending === 'done' && believedMs > offAt! + MINUTE_MS) return -Infinity
  const { releaseMinutes } = simulate({ ...course.pot, program: course.program, release: NATURAL })
  const fallen = offAt! + releaseMinutes * MINUTE_MS
  const ventedAt = ventedSince(cycle)
  return ventedAt === null ? fallen : Math.min(fallen, ventedAt + VALVE_MS)
}

/** From when on the pressure may be gone at the earliest, in ms since 1970; the cycle must have been lit. */
export function opensFrom(course: Course, state: RunState, nowMs: number): number {
  const outlook = endsByItself(course.closing.pot.style)
    ? asPlanned(course, state, nowMs)
    : lookAhead(course, state, nowMs).outlook(null)
  return outlook.opensFrom
}

function moved(guess: Guess, by: Guess, sign: number): Guess {
  const sum = (name: keyof Guess) => (guess[name] ?? 0) + sign * (by[name] ?? 0)
  return {
    logHeat: sum('logHeat'),
    logSwing: sum('logSwing'),
    logTurned: sum('logTurned'),
    logLoss: sum('logLoss'),
    logLeak: sum('logLeak'),
    logLift: sum('logLift'),
  }
}

/** A cooker that decides for itself, or follows a measured program, is told as it was planned. */
export function asPlanned(course: Course, state: RunState, nowMs: number): Outlook {
  const { litAt, heatOffAt: saidOffAt, valveOpenedAt, whistles } = lastCycle(state)
  const curve = simulate({ ...course.pot, program: course.program, release: course.release }, { trace: true })
  const msOf = (minute: number) => litAt! + minute * MINUTE_MS
  const { gaugePa, tempC, freeWaterKg, boilMinutes } = pointAt(curve.trace, (nowMs - litAt!) / MINUTE_MS)
  const sure = (value: number): Banded => ({ value, low: value, high: value })
  const liquid = liquidOf(course)
  const inAll = (gets: readonly number[]) => gets.map((got, i) => got + course.had[i]!)
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
    liquidNowG: sure(Math.min(liquid.pouredG, liquid.around(freeWaterKg * 1000, inAll(boilMinutes)))),
    liquidEndG: sure(Math.min(liquid.pouredG, liquid.around(curve.freeWaterLeftG, inAll(curve.boilMinutes)))),
    leastLiquidG: liquid.leastG,
    tempC,
    gaugePa,
    soFar: 0,
    whistlesSoFar: whistles.length,
    understood: true,
    overdue: null,
    hasEnough: false,
    needed: null,
    nextWhistleAt: null,
    heatOffAt,
    opensAt: sure(opensAt),
    opensFrom: saidOffAt === null ? Infinity : holdsPressure(course.pot.appliance) ? downFrom : opensAt,
    questions: [],
    curve,
  }
}
