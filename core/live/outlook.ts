import { holdsPressure } from '../pot/appliance'
import type { Simulation, Step } from '../pot/case'
import { pointAt, retimed } from '../pot/curve'
import { OPENS_PA, type Run } from '../pot/run'
import { simulate } from '../pot/simulate'
import { leastFigure } from '../program/least-figure'
import { shapeOf, type StyleShape } from '../program/styles'
import { heated, heatOffMs, replay, type Anchor, type Course, type Guess } from './course'
import { expectedOf, heardOf, infer, type Belief } from './infer'
import { matchWhistles, notHeardYet, type Match } from './match'
import type { RunState } from './run'
import { lastStepSince, withFigure } from './steps'

/** A figure with the band of one standard deviation around it. */
export interface Banded {
  value: number
  low: number
  high: number
}

/** A whistle about which the cook should be asked. */
export type Question =
  /** One whistle or more seem to have slipped by, about then, before the one of that event. */
  | { kind: 'missed'; before: string; at: number[] }
  /** The one of that event came when none was due. */
  | { kind: 'false'; of: string; at: number }

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
  /** Most of what is counted does not fit this pot: the cook's count and the planned figure stand. */
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

const MINUTE_MS = 60_000
/** An open valve lets the pressure of any of these pots out within this time (engineering estimate). */
const VALVE_MS = 5 * MINUTE_MS
/** The weight's lift is off by so much (engineering estimate, as in program/range.ts); whistles do not tell it. */
const LIFT_SD = 0.08
/** So long after a whistle begins the pot is surely past its highest point. */
const JUST_AFTER_MINUTES = 1 / 60
/** A whistle is over after so long, at most. */
const WHISTLE_OVER_MS = 12_000
/** From so many whistles, and such a share of all, that fit nothing, the pot is not the one that was planned. */
const LEAST_FALSE = 2
const FALSE_SHARE = 0.34
/** It is taken to have been missed or false when that is so many times likelier than not. */
const ASK_LOG_ODDS = 1

/** One way in which the pot may go on, and what it takes. */
interface Future {
  run: Run
  /** Minutes by which the simulation is late after the last whistle. */
  late: number
  /** When a minute of the simulation really was, or will be, in minutes from lighting: by the whistles that were heard. */
  realMinute(minute: number): number
  gotNow: number[]
  now: ReturnType<Run['now']>
  /** The least figure with which every food has what it needs, read off between whole ones; null if none does. */
  needed: number | null
  /** What becomes of the pot with this figure, or with the program as it is. */
  goOn(figure: number | null): End
}
interface End {
  gets: number[]
  waterG: number
  heatOffMinute: number
  openMinute: number
}

/** What a run looks like from now. */
export interface Looking {
  belief: Belief
  needed: Banded | null
  /** Boil-minutes that each food would have with a figure. */
  getsWith(figure: number): number[]
  /** All that is to be told, with the figure that is advised (the program as planned where there is none). */
  outlook(advised: number | null): Outlook
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
  const belief = infer(course, state, nowMs, before)
  const { guess, directions } = belief
  const whistling = course.pot.appliance.kind === 'whistling'
  const heard = heardOf(state, nowMs)
  const falses = belief.match.of.filter((which) => which === null).length
  const understood = falses < LEAST_FALSE || falses <= FALSE_SHARE * belief.match.of.length
  const matched = understood ? lastOf(belief.match) + 1 : state.whistles.length
  const shape = shapeFor(course)
  const offAt = heatOffMs(course, state)
  // A device that has switched itself off falls from then on, whatever the cook has said.
  const isOff = offAt !== null && offAt <= nowMs
  const since = lastStepSince(course.program, state)
  const msOf = (minute: number) => state.litAt! + minute * MINUTE_MS
  const soFar =
    shape?.unit === 'whistles'
      ? matched
      : since === null
        ? 0
        : Math.max(0, ((offAt === null ? nowMs : Math.min(nowMs, offAt)) - since) / MINUTE_MS)

  const centre = future(guess, bands)
  const sides: Guess[] = bands ? [...directions, { logHeat: 0, logSwing: 0, logLift: LIFT_SD }] : []
  const around = sides.flatMap((side) => [future(moved(guess, side, -1)), future(moved(guess, side, 1))])
  const banded = (of: (one: Future) => number): Banded => {
    const value = of(centre)
    const shifts = around.map((one) => of(one) - value)
    const reach = (sign: 1 | -1) => Math.hypot(...shifts.filter((shift) => shift * sign > 0))
    return { value, low: value - reach(-1), high: value + reach(1) }
  }
  const needed = centre.needed === null || !understood ? null : banded((one) => one.needed ?? centre.needed!)

  return {
    belief,
    needed,
    getsWith: (figure) => centre.goOn(figure).gets.map((got, i) => got + course.had[i]!),
    outlook(advised) {
      const ends = new Map([...around, centre].map((one) => [one, one.goOn(advised)]))
      const opens = banded((one) => ends.get(one)!.openMinute)
      const heatReach = Math.hypot(...directions.map(({ logHeat }) => logHeat))
      // The likeliest pot went on last: its run holds the whole curve.
      const curve = centre.run.result()
      const due = whistling ? curve.whistleMinutes[matched] : undefined
      const down = curve.trace.length > 0 && isOff && centre.now.gaugePa <= OPENS_PA
      return {
        heatShare: {
          value: Math.exp(guess.logHeat),
          low: Math.exp(guess.logHeat - heatReach),
          high: Math.exp(guess.logHeat + heatReach),
        },
        gotNow: course.had.map((had, i) => banded((one) => had + one.gotNow[i]!)),
        willGet: course.had.map((had, i) => banded((one) => had + ends.get(one)!.gets[i]!)),
        waterNowG: banded((one) => one.now.freeWaterG),
        waterEndG: banded((one) => ends.get(one)!.waterG),
        tempC: centre.now.tempC,
        gaugePa: centre.now.gaugePa,
        soFar,
        whistlesSoFar: matched,
        understood,
        needed,
        nextWhistleAt: state.phase === 'heating' && due !== undefined ? msOf(due - centre.late) : null,
        heatOffAt: offAt ?? msOf(ends.get(centre)!.heatOffMinute),
        opensAt: { value: msOf(opens.value), low: msOf(opens.low), high: msOf(opens.high) },
        opensFrom: !isOff ? Infinity : down ? Math.min(nowMs, msOf(opens.low)) : msOf(opens.low),
        questions: whistling && understood ? questions() : [],
        curve: retimed(curve, centre.realMinute),
      }
    },
  }

  function future(tried: Guess, trace = false): Future {
    const { anchor, which, until, knots } = anchored(tried)
    const run = replay(course, state, tried, until, { trace, anchor })
    const moment = run.save()
    // This pot may be a whistle ahead of or behind the likeliest one; both are at the last that was heard.
    const ahead = which + 1 - matched
    const minuteOf = (ms: number) =>
      anchor && ms >= anchor.atMs ? anchor.minute + (ms - anchor.atMs) / MINUTE_MS : (ms - state.litAt!) / MINUTE_MS
    const late = anchor ? anchor.minute - (anchor.atMs - state.litAt!) / MINUTE_MS : 0
    const heatTimes = Math.exp(tried.logHeat)
    const finish = (figure: number | null) => {
      run.restore(moment)
      if (isOff) return
      for (const { step, until } of remainingSteps(figure, ahead, minuteOf)) {
        if (until === null) run.step(heated(step, heatTimes))
        else {
          if (!('profile' in step)) run.heat(heated(step, heatTimes))
          run.until(until)
        }
      }
    }
    const finishWhistle = (figure: number) => {
      const { step } = remainingSteps(figure, ahead, minuteOf)[0]!
      run.step(heated(step, heatTimes))
    }
    const goOn = (figure: number | null): End => {
      finish(figure)
      run.release(remainingRelease())
      const { heatOffMinute, releaseMinutes, freeWaterLeftG } = run.result()
      return {
        gets: run.boilMinutes(),
        waterG: freeWaterLeftG,
        heatOffMinute: heatOffMinute - late,
        openMinute: heatOffMinute + releaseMinutes - late,
      }
    }
    const realMinute = (minute: number): number => {
      const after = knots.findIndex(([simulated]) => simulated >= minute)
      if (after < 0) return minute - late
      const [from, fromReal] = knots[after - 1] ?? [0, 0]
      const [to, toReal] = knots[after]!
      return fromReal + ((minute - from) / (to - from)) * (toReal - fromReal)
    }
    return {
      run,
      late,
      realMinute,
      gotNow: run.boilMinutes(),
      now: run.now(),
      needed: isOff || !shape ? null : neededBy(shape),
      goOn,
    }

    function neededBy({ min, max, by }: StyleShape): number | null {
      // Off now is off between two whistles: a count can end there no more, once the last one is over.
      const counted =
        'untilWhistles' in course.program.at(-1)! && nowMs - (state.whistles.at(-1)?.at ?? nowMs) > WHISTLE_OVER_MS
          ? matched + 1
          : 0
      const from = Math.max(min, counted, Math.ceil(soFar / by - 1e-6) * by)
      finish(from)
      const counts = 'untilWhistles' in course.program.at(-1)!
      const found = leastFigure(run, {
        from,
        max,
        by,
        // From where the figure before ended; by whistles as long as it takes, else by the clock.
        next: (figure) => {
          if (counts) finishWhistle(figure)
          else run.until(run.now().minute + by)
          return run.result().ending === 'done'
        },
        release: () => {
          run.release(course.release ?? NATURAL)
          return run.result().ending === 'done'
        },
        surplus: (gets) => surplusOf(course, gets),
      })
      return found === null || found === 'ended' ? null : found.exact
    }
  }

  /** Where this pot was at the last whistle heard, which of its own that was, until when it can be followed, and its whistles beside those heard. */
  function anchored(tried: Guess): { anchor: Anchor | null; which: number; until: number; knots: [number, number][] } {
    const open = { anchor: null, which: -1, until: nowMs, knots: [] }
    if (!whistling) return open
    const due = expectedOf(course, state, tried, nowMs)
    const { of } = matchWhistles(heard, due)
    const knots = of.flatMap((one, k): [number, number][] => (one === null ? [] : [[due[one]!, heard.minutes[k]!]]))
    const i = of.findLastIndex((one) => one !== null)
    const which = i < 0 ? -1 : of[i]!
    const lastMs = i < 0 ? state.litAt! : state.whistles[i]!.at
    const minute = i < 0 ? 0 : due[which]! + JUST_AFTER_MINUTES
    const anchor = i < 0 ? null : { atMs: lastMs, minute }
    const next = due[which + 1]
    if (next === undefined || isOff || state.phase !== 'heating') return { anchor, which, until: nowMs, knots }
    // A whistle that is due and has not been heard has, most likely, not come yet.
    const gap = next - minute
    const elapsed = (nowMs - lastMs) / MINUTE_MS
    const { waiting, missed } = notHeardYet(elapsed, gap, i < 0)
    const until = elapsed > gap && waiting > missed ? lastMs + (gap - JUST_AFTER_MINUTES) * MINUTE_MS : nowMs
    return { anchor, which, until, knots }
  }

  /** What the program still has to do from now, ending with this figure. */
  function remainingSteps(
    figure: number | null,
    ahead: number,
    minuteOf: (ms: number) => number,
  ): { step: Step; until: number | null }[] {
    const last = course.program.at(-1)!
    if ('profile' in last) return []
    const asked = figure === null ? last : withFigure(last, figure)
    const flame = state.flameChanges.at(-1)?.flame
    const step = flame && 'heatW' in asked ? { ...asked, heatW: course.burner[flame] } : asked
    if ('untilWhistles' in step) return [{ step: { ...step, untilWhistles: step.untilWhistles + ahead }, until: null }]
    if (since === null) {
      const pending = course.program.slice(0, -1).filter((before) => !isOver(before))
      return [...pending, asked].map((one) => ({ step: one, until: null }))
    }
    const minutes = 'minutesAtPressure' in step ? step.minutesAtPressure : 'minutes' in step ? step.minutes : 0
    return [{ step, until: minuteOf(since) + minutes }]
  }

  function isOver(step: Step): boolean {
    if ('untilWhistles' in step) return matched >= step.untilWhistles
    if ('untilPressure' in step) return state.atPressureAt !== null
    return 'untilBoil' in step && state.boilsAt !== null
  }

  function remainingRelease() {
    const release = course.release ?? NATURAL
    if (!isOff || release.kind === 'natural') return release
    if (state.valveOpenedAt !== null) return NATURAL
    return { ...release, afterMinutes: Math.max(0, (release.afterMinutes ?? 0) - (nowMs - offAt!) / MINUTE_MS) }
  }

  function questions(): Question[] {
    const due = replay(course, state, guess, nowMs + 5 * MINUTE_MS).result().whistleMinutes
    const found: Question[] = []
    let before = { which: -1, at: state.litAt! }
    belief.match.of.forEach((which, i) => {
      const { id, at } = state.whistles[i]!
      if (which === null) {
        if (isClear(due, { ...heard, standing: heard.standing.with(i, true) }))
          found.push({ kind: 'false', of: id, at })
        return
      }
      // Between the two that were heard, at the pot's own pace.
      const from = before.which < 0 ? 0 : due[before.which]!
      const pace = (at - before.at) / (due[which]! - from)
      const missed = due.slice(before.which + 1, which).map((minute) => before.at + (minute - from) * pace)
      const denied = { ...heard, noneMissedBefore: heard.noneMissedBefore.with(i, true) }
      if (missed.length > 0 && isClear(due, denied)) found.push({ kind: 'missed', before: id, at: missed })
      before = { which, at }
    })
    return found
  }

  /** True if the match holds clearly better than its denial. */
  function isClear(due: readonly number[], denied: typeof heard): boolean {
    return matchWhistles(heard, due).score - matchWhistles(denied, due).score > ASK_LOG_ODDS
  }
}

function moved(guess: Guess, by: Guess, sign: number): Guess {
  return {
    logHeat: guess.logHeat + sign * by.logHeat,
    logSwing: guess.logSwing + sign * by.logSwing,
    logLift: sign * (by.logLift ?? 0),
  }
}

function lastOf({ of }: Match): number {
  return of.findLast((which) => which !== null) ?? -1
}

function surplusOf({ needs }: Course, gets: readonly number[]): number {
  return Math.min(...needs.map((need, i) => (need > 0 ? gets[i]! / need - 1 : 1)))
}

const NATURAL = { kind: 'natural' } as const

function shapeFor({ resolved }: Course): StyleShape | null {
  const { style, burner, cooker } = resolved
  if (style.kind === 'fixed' || style.kind === 'rice-cooker') return null
  return shapeOf(style, burner, cooker.appliance)
}

/** A cooker that decides for itself, or follows a measured program, is told as it was planned. */
export function asPlanned(course: Course, state: RunState, nowMs: number): Outlook {
  const curve = simulate({ ...course.pot, program: course.program, release: course.release }, { trace: true })
  const msOf = (minute: number) => state.litAt! + minute * MINUTE_MS
  const { gaugePa, tempC, freeWaterKg, boilMinutes } = pointAt(curve.trace, (nowMs - state.litAt!) / MINUTE_MS)
  const sure = (value: number): Banded => ({ value, low: value, high: value })
  // What comes after the last heat is the rest, or the release.
  const offMinute = curve.trace.findLast(({ heatW }) => heatW > 0)?.minute ?? curve.heatOffMinute
  const heatOffAt = state.heatOffAt ?? msOf(offMinute)
  const opensAt = heatOffAt + (curve.heatOffMinute + curve.releaseMinutes - offMinute) * MINUTE_MS
  // Stopped before its time a device holds its pressure, and no curve was measured for that: the measured end
  // stands, or some minutes after the valve was opened.
  const measuredEnd = Math.max(opensAt, msOf(curve.heatOffMinute + curve.releaseMinutes))
  const downFrom = state.valveOpenedAt === null ? measuredEnd : Math.min(measuredEnd, state.valveOpenedAt + VALVE_MS)
  return {
    heatShare: sure(1),
    gotNow: boilMinutes.map(sure),
    willGet: curve.boilMinutes.map(sure),
    waterNowG: sure(freeWaterKg * 1000),
    waterEndG: sure(curve.freeWaterLeftG),
    tempC,
    gaugePa,
    soFar: 0,
    whistlesSoFar: state.whistles.length,
    understood: true,
    needed: null,
    nextWhistleAt: null,
    heatOffAt,
    opensAt: sure(opensAt),
    opensFrom: state.heatOffAt === null ? Infinity : holdsPressure(course.pot.appliance) ? downFrom : opensAt,
    questions: [],
    curve,
  }
}

/** Where the cook's counting has no say in what the cooker does. */
export function decidesItself({ resolved: { style } }: Course): boolean {
  return style.kind === 'fixed' || style.kind === 'rice-cooker'
}
