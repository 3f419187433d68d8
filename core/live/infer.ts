import { kindOf } from '../appliance/appliance'
import { MINUTE_MS } from '../measure/time'
import { UNMEASURED } from '../unknown'
import { replay, type Course, type Guess } from './course'
import { gapSd, matchWhistles, notHeardYet, type Heard, type Match } from './match'
import { lastLeg, type Leg, type RunState } from './run'

/** What is believed of a pot from what was heard so far. */
export interface Belief {
  guess: Guess
  /** Standard deviations: the directions in which the guess may be off, one standard deviation each. */
  directions: Guess[]
  match: Match
  /** The normal matrix of heat and swing that gave the directions, and the standard deviations of the prior in it. */
  normal: Matrix2
  prior: readonly [heat: number, swing: number]
}

/** Heats to start from, in standard deviations. */
const STARTS = [-3, -2, -1.2, -0.5, 0, 0.5, 1.2, 2, 3]
/** And around what was believed before. */
const NEAR = [-0.8, 0.8]
const ROUNDS = 5
const DIFFERENCE = 0.01
/** Shares of a Gauss-Newton step that are tried, and the gain below which it is good enough. */
const SHARES = [1, 0.5, 0.2]
const ENOUGH_GAINED = 0.005
/** The model goes on so many minutes past now, to know what would be due. */
const BEYOND_MINUTES = 8

/** A guess with how well it explains what was heard. */
interface Scored {
  guess: Guess
  match: Match
  score: number
}

/**
 * The likeliest heat and swing of the weight (maximum a posteriori over the simulation, both as logarithms with
 * normal priors), from the times of the whistles, or of the one moment that other pots tell. Which whistle
 * heard is which of the pot's is decided anew in every round (matchWhistles); then one Gauss-Newton step. Its
 * normal matrix gives how sure the guess is. `before` is what was believed at the event before, to start from.
 */
export function infer(course: Course, state: RunState, nowMs: number, before?: Guess): Belief {
  const prior = priorOf(course)
  const heard = heardOf(course, state, nowMs)
  const leg = lastLeg(state)
  const known = new Map<string, number[]>()
  const expected = (guess: Guess): number[] => {
    const key = `${guess.logHeat.toFixed(6)} ${guess.logSwing.toFixed(6)}`
    let minutes = known.get(key)
    if (!minutes) known.set(key, (minutes = expectedOf(course, leg, guess, nowMs)))
    return minutes
  }
  const scored = (guess: Guess): Scored => {
    const match = matchWhistles(heard, expected(guess))
    const fromPrior = (guess.logHeat / prior[0]) ** 2 + (guess.logSwing / prior[1]) ** 2
    return { guess, match, score: match.score - fromPrior / 2 }
  }
  const normalAt = ({ guess, match }: Scored) => {
    const moved: [number[], number[]] = [
      expected({ ...guess, logHeat: guess.logHeat + DIFFERENCE }),
      expected({ ...guess, logSwing: guess.logSwing + DIFFERENCE }),
    ]
    return normalEquations(prior, guess, heard, match, expected(guess), moved)
  }

  const starts: Guess[] = before
    ? [before, ...NEAR.map((times) => ({ ...before, logHeat: before.logHeat + times * prior[0] }))]
    : STARTS.map((times) => ({ logHeat: times * prior[0], logSwing: 0 }))
  let best = starts.map(scored).reduce((a, b) => (b.score > a.score ? b : a))
  let normal = normalAt(best)
  for (let round = 0; round < ROUNDS; round++) {
    const [heat, swing] = solve2(normal.matrix, normal.vector)
    const { logHeat, logSwing } = best.guess
    let better: Scored | null = null
    for (const share of SHARES) {
      const tried = scored({ logHeat: logHeat + share * heat, logSwing: logSwing + share * swing })
      if (tried.score > best.score) {
        better = tried
        break
      }
    }
    if (!better) break
    const gained = better.score - best.score
    best = better
    normal = normalAt(best)
    if (gained < ENOUGH_GAINED) break
  }
  const { matrix } = normal
  return { guess: best.guess, directions: principal(matrix), match: best.match, normal: matrix, prior }
}

/** One standard deviation of the heat, as a logarithm, before anything was heard: the plan's own. */
export function heatSd({ closing }: Course): number {
  return closing.pot.request.spread?.flame ?? UNMEASURED.heat
}

/** The same of heat and swing. */
const priorOf = (course: Course): readonly [heat: number, swing: number] => [heatSd(course), UNMEASURED.swing]

/**
 * The normal equations of the gaps that were matched, with the prior: how much each gap between two whistles misses
 * the expected one, and how it moves with heat and swing (`moved` are the whistles expected a little to each side).
 */
function normalEquations(
  prior: readonly [number, number],
  guess: Guess,
  heard: Heard,
  match: Match,
  here: readonly number[],
  moved: readonly [readonly number[], readonly number[]],
): { matrix: Matrix2; vector: [number, number] } {
  const matrix: Matrix2 = [1 / prior[0] ** 2, 0, 1 / prior[1] ** 2]
  const vector: [number, number] = [-guess.logHeat / prior[0] ** 2, -guess.logSwing / prior[1] ** 2]
  const add = (observed: number, from: number, to: number, share: (z: number) => number) => {
    const gap = (list: readonly number[]) => list[to]! - (from < 0 ? 0 : list[from]!)
    const gapHere = gap(here)
    const slopes = moved.map((list) => (gap(list) - gapHere) / DIFFERENCE)
    if (!slopes.every(Number.isFinite)) return
    const sd = gapSd(gapHere, from < 0)
    const miss = observed - gapHere
    const weight = share(miss / sd) / (sd * sd)
    matrix[0] += weight * slopes[0]! ** 2
    matrix[1] += weight * slopes[0]! * slopes[1]!
    matrix[2] += weight * slopes[1]! ** 2
    vector[0] += weight * slopes[0]! * miss
    vector[1] += weight * slopes[1]! * miss
  }
  let before = { minute: 0, of: -1 }
  match.of.forEach((of, i) => {
    if (of === null) return
    // A clumsy hand counts for less.
    add(heard.minutes[i]! - before.minute, before.of, of, (z) => 1 / (1 + (z / 3) ** 2))
    before = { minute: heard.minutes[i]!, of }
  })
  const next = before.of + 1
  const elapsed = heard.untilMinute - before.minute
  if (next < here.length) {
    const gap = here[next]! - (before.of < 0 ? 0 : here[before.of]!)
    const { waiting, missed } = notHeardYet(elapsed, gap, before.of < 0)
    // An overdue whistle says as much as one that comes now, so far as it is not taken for missed.
    if (elapsed > gap) add(elapsed, before.of, next, () => waiting / (waiting + missed))
  }
  return { matrix, vector }
}

/** The minutes from lighting at which this course would whistle, or come to pressure or to the boil, under a guess. */
export function expectedOf(course: Course, leg: Leg, guess: Guess, nowMs: number): number[] {
  // What would have been due, had the heat stayed: a pot that is a little late still gave the last one heard.
  const on = { ...leg, heatOffAt: null, valveOpenedAt: null }
  const run = replay(course, on, guess, (leg.heatOffAt ?? nowMs) + BEYOND_MINUTES * MINUTE_MS)
  const { whistleMinutes, minutesToPressure, boilsAtMinute } = run.result()
  const { tells } = kindOf(course.pot.appliance)
  if (tells === 'whistles') return whistleMinutes
  const moment = tells === 'boil' ? boilsAtMinute : minutesToPressure
  return moment === null ? [] : [moment]
}

/** The whistles of the leg that goes on as they were heard; where nothing whistles, the one moment that pots tell. */
export function heardOf({ pot }: Course, state: RunState, nowMs: number): Heard {
  const { standing, noneMissedBefore } = state
  const { litAt, whistles, atPressureAt, boilsAt, heatOffAt, interruptions } = lastLeg(state)
  const minute = (ms: number) => (ms - litAt!) / MINUTE_MS
  // A pot that holds pressure boils well before it is expected to tell anything.
  const told = kindOf(pot.appliance).tells === 'boil' ? boilsAt : atPressureAt
  // After an interruption the pressure comes anew: its time tells nothing of the heat.
  const one = interruptions.length > 0 ? null : told
  const single = whistles.length === 0 && one !== null
  // While the heat is away nothing is due.
  const until = heatOffAt ?? interruptions.find((away) => away.until === null)?.at ?? nowMs
  return {
    minutes: single ? [minute(one)] : whistles.map(({ at }) => minute(at)),
    standing: single ? [true] : whistles.map(({ id }) => standing.includes(id)),
    noneMissedBefore: single ? [true] : whistles.map(({ id }) => noneMissedBefore.includes(id)),
    untilMinute: minute(until),
  }
}

/** Upper triangle of a symmetric 2x2 matrix. */
export type Matrix2 = [number, number, number]

function solve2([a, b, c]: Matrix2, [x, y]: readonly [number, number]): [number, number] {
  const det = a * c - b * b
  return [(c * x - b * y) / det, (a * y - b * x) / det]
}

/** The axes of the ellipse of one standard deviation that a normal matrix describes. */
function principal([a, b, c]: Matrix2): Guess[] {
  if (Math.abs(b) < 1e-9)
    return [
      { logHeat: 1 / Math.sqrt(a), logSwing: 0 },
      { logHeat: 0, logSwing: 1 / Math.sqrt(c) },
    ]
  const middle = (a + c) / 2
  const spread = Math.hypot((a - c) / 2, b)
  return [middle + spread, middle - spread].map((value) => {
    const sd = 1 / Math.sqrt(value) / Math.hypot(value - c, b)
    return { logHeat: (value - c) * sd, logSwing: b * sd }
  })
}
