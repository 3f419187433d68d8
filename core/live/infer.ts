import { EigenvalueDecomposition, Matrix, solve } from 'ml-matrix'
import { heatsItself, holdsPressure, kindOf } from '../appliance/appliance'
import { MINUTE_MS } from '../measure/time'
import { OWN_OF_FLAME, UNMEASURED } from '../unknown'
import { replay, type Course, type Guess } from './course'
import { gapSd, matchWhistles, notHeardYet, type Heard, type Match } from './match'
import { lastCycle, type Cycle, type RunState } from './run'

/** What the signs of a pot may tell, in the order in which vectors and matrices have it. */
export type Unknown = Exclude<keyof Guess, 'logLift'>

/** What is believed of a pot from what was heard so far. */
export interface Belief {
  guess: Guess
  /** Standard deviations: the directions in which the guess may be off, one standard deviation each. */
  directions: Guess[]
  match: Match
  /** What the fit had to find, the normal matrix that gave the directions, and the standard deviations of its prior. */
  unknowns: readonly Unknown[]
  normal: number[][]
  prior: readonly number[]
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
 * The likeliest pot (maximum a posteriori over the simulation; unknowns as logarithms with normal priors), from the
 * times of the whistles, or of the one moment that other pots tell. Which whistle heard is which of the pot's is
 * decided anew in every round (matchWhistles); then one Gauss-Newton step. Its normal matrix gives how sure the guess
 * is. `before` is what was believed at the event before, to start from.
 */
export function infer(course: Course, state: RunState, nowMs: number, before?: Guess): Belief {
  const heard = heardOf(course, state, nowMs)
  const cycle = lastCycle(state)
  const unknowns = unknownsOf(course, cycle)
  const prior = unknowns.map((name) => priorSd(course, name))
  const known = new Map<string, number[]>()
  const expected = (guess: Guess): number[] => {
    const key = unknowns.map((name) => (guess[name] ?? 0).toFixed(6)).join(' ')
    let minutes = known.get(key)
    if (!minutes) known.set(key, (minutes = expectedOf(course, cycle, guess, nowMs)))
    return minutes
  }
  const scored = (guess: Guess): Scored => {
    const match = matchWhistles(heard, expected(guess))
    const fromPrior = unknowns.reduce((sum, name, i) => sum + ((guess[name] ?? 0) / prior[i]!) ** 2, 0)
    return { guess, match, score: match.score - fromPrior / 2 }
  }
  const normalAt = ({ guess, match }: Scored) => {
    const shifted = unknowns.map((name) => expected({ ...guess, [name]: (guess[name] ?? 0) + DIFFERENCE }))
    const at = unknowns.map((name) => guess[name] ?? 0)
    return normalEquations(prior, at, heard, match, expected(guess), shifted)
  }

  const starts: Guess[] = before
    ? [before, ...NEAR.map((times) => ({ ...before, logHeat: before.logHeat + times * prior[0]! }))]
    : STARTS.map((times) => ({ logHeat: times * prior[0]!, logSwing: 0 }))
  let best = starts.map(scored).reduce((a, b) => (b.score > a.score ? b : a))
  let normal = normalAt(best)
  for (let round = 0; round < ROUNDS; round++) {
    const step = solve(new Matrix(normal.matrix), Matrix.columnVector(normal.vector)).to1DArray()
    let better: Scored | null = null
    for (const share of SHARES) {
      const tried = scored(movedBy(best.guess, unknowns, step, share))
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
  const directions = principal(matrix, unknowns)
  return { guess: best.guess, directions, match: best.match, unknowns, normal: matrix, prior }
}

/**
 * What is to be found of a cycle. On one flame heat and swing explain the whistles; where a flame is turned, or minutes
 * pass by the clock, what the pot gives off and the other flame decide how hot it stays.
 */
function unknownsOf({ program, pot }: Course, { flameChanges }: Cycle): Unknown[] {
  const isTurned = program.length > 1 || flameChanges.length > 0
  const byClock = program.at(-1)!.kind !== 'whistles'
  const onFlame = !heatsItself(pot.appliance) && holdsPressure(pot.appliance)
  return [
    'logHeat',
    'logSwing',
    ...(onFlame && isTurned ? (['logTurned'] as const) : []),
    ...(onFlame && (isTurned || byClock) ? (['logLoss', 'logLeak'] as const) : []),
  ]
}

/** One standard deviation of an unknown before anything was heard. */
function priorSd(course: Course, unknown: Unknown): number {
  switch (unknown) {
    case 'logHeat':
      return heatSd(course)
    case 'logTurned':
      return OWN_OF_FLAME * heatSd(course)
    case 'logSwing':
      return UNMEASURED.swing
    case 'logLoss':
      return UNMEASURED.loss
    case 'logLeak':
      return UNMEASURED.leak
  }
}

function movedBy(guess: Guess, unknowns: readonly Unknown[], by: readonly number[], share: number): Guess {
  const moved = { ...guess }
  unknowns.forEach((name, i) => (moved[name] = (guess[name] ?? 0) + share * by[i]!))
  return moved
}

/** One standard deviation of the heat, as a logarithm, before anything was heard: the plan's own. */
export function heatSd({ closing }: Course): number {
  return closing.pot.request.spread?.flame ?? UNMEASURED.heat
}

/**
 * The normal equations of the gaps that were matched, with the prior: how much each gap between two whistles misses
 * the expected one, and how it moves with each unknown (`shifted` are the whistles expected a little further along it).
 */
function normalEquations(
  prior: readonly number[],
  guess: readonly number[],
  heard: Heard,
  match: Match,
  here: readonly number[],
  shifted: readonly (readonly number[])[],
): { matrix: number[][]; vector: number[] } {
  const matrix = prior.map((sd, i) => prior.map((_, j) => (i === j ? 1 / sd ** 2 : 0)))
  const vector = guess.map((value, i) => -value / prior[i]! ** 2)
  const add = (observed: number, from: number, to: number, share: (z: number) => number) => {
    const gap = (list: readonly number[]) => list[to]! - (from < 0 ? 0 : list[from]!)
    const gapHere = gap(here)
    const slopes = shifted.map((list) => (gap(list) - gapHere) / DIFFERENCE)
    if (!slopes.every(Number.isFinite)) return
    const sd = gapSd(gapHere, from < 0)
    const miss = observed - gapHere
    const weight = share(miss / sd) / (sd * sd)
    slopes.forEach((slope, i) => {
      slopes.forEach((other, j) => (matrix[i]![j]! += weight * slope * other))
      vector[i]! += weight * slope * miss
    })
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
    const { waiting, missed } = notHeardYet(elapsed, gap, before.of < 0, heard.noneMissedUntilMinute - before.minute)
    // An overdue whistle says as much as one that comes now, so far as it is not taken for missed.
    if (elapsed > gap) add(elapsed, before.of, next, () => waiting / (waiting + missed))
  }
  return { matrix, vector }
}

/** One standard deviation of the heat, as a logarithm, by what was heard. */
export function heatReach(directions: readonly Guess[]): number {
  return Math.hypot(...directions.map(({ logHeat }) => logHeat))
}

/** The minutes from lighting at which this course would whistle, or come to pressure or to the boil, under a guess. */
export function expectedOf(course: Course, cycle: Cycle, guess: Guess, nowMs: number): number[] {
  // What would have been due, had the heat stayed: a pot that is a little late still gave the last one heard.
  const on = { ...cycle, heatOffAt: null, valveOpenedAt: null }
  const run = replay(course, on, guess, (cycle.heatOffAt ?? nowMs) + BEYOND_MINUTES * MINUTE_MS)
  const { whistleMinutes, minutesToPressure, boilsAtMinute } = run.result()
  const { tells } = kindOf(course.pot.appliance)
  if (tells === 'whistles') return whistleMinutes
  const moment = tells === 'boil' ? boilsAtMinute : minutesToPressure
  return moment === null ? [] : [moment]
}

/** The whistles of the cycle that goes on as they were heard; where nothing whistles, the one moment that pots tell. */
export function heardOf({ pot }: Course, state: RunState, nowMs: number): Heard {
  const { standing, noneMissedBefore } = state
  const { litAt, whistles, atPressureAt, boilsAt, heatOffAt, interruptions, quietAt } = lastCycle(state)
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
    noneMissedUntilMinute: quietAt === null ? 0 : minute(quietAt),
  }
}

/** The axes of the ellipsoid of one standard deviation that a normal matrix describes. */
function principal(matrix: number[][], unknowns: readonly Unknown[]): Guess[] {
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(new Matrix(matrix), {
    assumeSymmetric: true,
  })
  return realEigenvalues.map((value, axis) =>
    movedBy({ logHeat: 0, logSwing: 0 }, unknowns, eigenvectorMatrix.getColumn(axis), 1 / Math.sqrt(value)),
  )
}
