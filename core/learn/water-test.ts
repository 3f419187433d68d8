import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { inverse, Matrix } from 'ml-matrix'
import { failed, problem, type Outcome } from '../problem'
import type { Burner } from '../appliance/burner'
import { parameterOf, scaled, type ScaleName } from '../appliance/parameters'
import { kindOf, type Appliance } from '../appliance/appliance'
import { flamesIn, minuteOf } from '../appliance/test-guide'
import type { TestMark, WaterTest } from '../appliance/water-test.schema'
import { FLAMES, type FlameName } from '../names'
import { SHARED_BY_FLAMES } from '../unknown'
import type { SimulationCase } from '../pot/case.schema'
import { outOfBounds } from '../pot/check'
import { pointAt } from '../pot/curve'
import { simulate } from '../pot/simulate'
import type { Simulation } from '../pot/simulation'

/** What a water test measures about a cooker and the burner it stands on. */
export interface Measured {
  appliance: Appliance
  burner: Burner
}

export interface FittedFigure {
  id: ParameterId
  before: number
  after: number
  /** One standard deviation of `after`, as a share of it. */
  sdShare: number
}

export interface Observation {
  /** Its place among all readings of the test, the first first. */
  place: number
  id: 'first-whistle' | 'interval' | 'pressure' | 'boils' | 'switched-off' | 'release' | 'steam' | 'temperature'
  /** Minutes, grams or °C, by its id. */
  measured: number
  fitted: number
}

export interface WaterTestFit extends Measured {
  figures: FittedFigure[]
  observations: Observation[]
  /** Root mean square of the misfits, each divided by how exactly it can be read. */
  misfit: number
  /** The fitted boil, for drawing it beside the marks. */
  curve: Simulation
  /** One standard deviation of the heat, as a share, for the ranges of plans. */
  heatSpread: number
}

/** Each flame's heat, and what the appliance's kind measures. */
export type ParameterId = FlameName | Exclude<ScaleName, 'pressure'>

// How exactly a cook can read these (engineering estimates).
const TIME_SHARE = 0.03
const TIME_MINUTES = 3 / 60
const RELEASE_SHARE = 0.08
const WEIGHT_G = 5
const WEIGHT_SHARE = 0.03
const THERMOMETER_K = 1.5
/** How far generic figures may be off: one standard deviation in the logarithm (engineering estimates). */
const PRIOR: Record<ParameterId, number> = {
  high: 0.3,
  medium: 0.3,
  low: 0.3,
  simmer: 0.3,
  heat: 0.15,
  loss: 0.3,
  swing: 0.25,
  vent: 0.25,
  leak: 0.7,
  reflux: 0.2,
}
/** What is remembered is less exact than what is timed by so much. */
const REMEMBERED_TIMES = 3
/** No figure is further from the generic one than this factor; a heat that would have to be is not of this pot. */
const MOST_TIMES = 5
const AT_BOUND = 0.97
/**
 * One boil is believed as long as its readings agree, root mean square, within so many of their errors: beyond, they
 * contradict each other. Below that a worse fit is told by a wider spread.
 */
const MOST_MISFIT = 4.5
const UNREACHED_RESIDUAL = 30
/** Gas and mains differ from day to day, however exactly one boil was timed (engineering estimate). */
const DAY_TO_DAY = 0.04

/**
 * Fits a cooker and its flames to one boil of water: the heat of each flame used, the loss, and what
 * its kind adds (hysteresis, vent, leak, reflux). Bounded least squares over the simulation, in the
 * logarithm of each figure, with the generic figures as the prior; flames that were not used move as
 * those that were. Problems say what makes no sense; then nothing should be kept.
 */
export function fitWaterTest(test: WaterTest, before: Measured): Outcome<WaterTestFit> {
  const problems = checkTest(test, before.appliance)
  if (problems.length > 0) return failed(...problems)
  const parameters = parametersOf(test, before)
  const observed = observe(test, runTest(test, before))
  if (observed.length === 0) return failed(problem('test-incomplete', 'test.marks'))

  const residuals = (logs: readonly number[]): number[] => {
    const run = runTest(test, apply(before, parameters, logs))
    const misfits =
      run.ending === 'done' || run.ending === 'boiled-dry'
        ? observe(test, run).map(({ misfit }) => misfit)
        : observed.map(() => UNREACHED_RESIDUAL)
    return [...misfits, ...logs.map((log, i) => log / PRIOR[parameters[i]!])]
  }
  const logs = fit(residuals, parameters.length, observed.length + parameters.length)
  const after = apply(before, parameters, logs)
  const curve = simulate(caseOf(test, after), { trace: true })
  const fitted = observe(test, curve)
  const misfit = Math.sqrt(fitted.reduce((sum, one) => sum + one.misfit ** 2, 0) / fitted.length)
  if (!(misfit <= MOST_MISFIT)) {
    const { id, measured, fitted: value, place } = worstOf(fitted)
    return failed(problem('test-contradicts', 'test.marks', { reading: id, place, measured, fitted: value }))
  }
  const extreme = parameters.find((id, i) => isHeat(id) && Math.abs(logs[i]!) > AT_BOUND * Math.log(MOST_TIMES))
  if (extreme) return failed(problem('test-beyond-belief', 'test.marks', { times: MOST_TIMES }))

  const sds = spreadAt(residuals, logs)
  const figures = parameters.map((id, i) => ({
    id,
    before: valueOf(before, id),
    after: valueOf(after, id),
    sdShare: sds[i]!,
  }))
  const heats = figures.filter(({ id }) => isHeat(id)).map(({ sdShare }) => sdShare)
  return {
    ok: true,
    value: {
      ...after,
      figures,
      observations: fitted.map(({ place, id, measured, fitted: value }) => ({ place, id, measured, fitted: value })),
      misfit,
      curve,
      // What fits worse than it can be read is known less well than it was read.
      heatSpread: Math.min(0.9, Math.hypot(DAY_TO_DAY, Math.max(1, misfit) * Math.max(0, ...heats))),
    },
  }
}

/** What the pot would do in this test if it had these figures. */
export function runTest(test: WaterTest, measured: Measured): Simulation {
  return simulate(caseOf(test, measured), { trace: needsTrace(test) })
}

function caseOf(test: WaterTest, { appliance, burner }: Measured): SimulationCase {
  const released = test.marks.some(({ kind }) => kind === 'pressure-gone')
  return {
    appliance,
    load: { freeWaterKg: test.waterG / 1000, foodJPerK: 0, startC: test.startC, vessels: [] },
    place: test.place,
    program: kindOf(appliance).test.program(test, burner),
    release: released ? { kind: 'natural' } : null,
    foods: [],
  }
}

const needsTrace = ({ marks }: WaterTest) => marks.some(({ kind }) => kind === 'temperature')

interface Compared extends Observation {
  /** How many reading errors the fit is off. */
  misfit: number
}

/** Everything measured, beside what the simulation gives. */
function observe(test: WaterTest, run: Simulation): Compared[] {
  const found: Compared[] = []
  const errorTimes = test.remembered ? REMEMBERED_TIMES : 1
  const time = (id: Observation['id'], measured: number, fitted: number | null | undefined, share = TIME_SHARE) => {
    const sd = errorTimes * Math.hypot(share, TIME_MINUTES / measured)
    const reached = typeof fitted === 'number' && fitted > 0
    const misfit = reached ? Math.log(fitted / measured) / sd : UNREACHED_RESIDUAL
    add({ id, measured, fitted: reached ? fitted : NaN, misfit })
  }
  const whistles = test.marks.filter(({ kind }) => kind === 'whistle').map(({ minute }) => minute)
  whistles.forEach((minute, i) => {
    if (i === 0) time('first-whistle', minute, run.whistleMinutes[0])
    else time('interval', minute - whistles[i - 1]!, run.whistleMinutes[i]! - run.whistleMinutes[i - 1]!)
  })
  const pressure = minuteOf(test, 'pressure')
  if (pressure !== null) time('pressure', pressure, run.minutesToPressure)
  const boils = minuteOf(test, 'boils')
  if (boils !== null) time('boils', boils, run.boilsAtMinute)
  const off = minuteOf(test, 'heat-off')
  if (off !== null && boils !== null && test.leftG !== undefined && test.leftG < WEIGHT_G)
    time('switched-off', off, run.heatOffMinute)
  const gone = minuteOf(test, 'pressure-gone')
  if (gone !== null && off !== null) time('release', gone - off, run.releaseMinutes, RELEASE_SHARE)
  for (const mark of test.marks)
    if (mark.kind === 'temperature') {
      const fitted = pointAt(run.trace, mark.minute).tempC
      add({ id: 'temperature', measured: mark.tempC, fitted, misfit: (fitted - mark.tempC) / THERMOMETER_K })
    }
  if (test.leftG !== undefined) {
    const lostG = test.waterG - test.leftG
    const misfit = (run.steamLostG - lostG) / Math.max(WEIGHT_G, WEIGHT_SHARE * lostG)
    add({ id: 'steam', measured: lostG, fitted: run.steamLostG, misfit })
  }
  return found.filter(({ place }) => !test.ignored?.includes(place))

  function add(one: Omit<Compared, 'place'>) {
    found.push({ ...one, place: found.length })
  }
}

/** The reading that agrees least with all the others. */
function worstOf(readings: readonly Compared[]): Compared {
  return readings.reduce((worst, one) => (Math.abs(one.misfit) > Math.abs(worst.misfit) ? one : worst))
}

function parametersOf(test: WaterTest, { appliance }: Measured): ParameterId[] {
  const flames = kindOf(appliance).heatsItself ? [] : [...new Set(flamesIn(test).map(({ flame }) => flame))]
  return [...flames, ...(kindOf(appliance).test.measures as ParameterId[])]
}

const isFlame = (id: ParameterId): id is FlameName => (FLAMES as readonly string[]).includes(id)
const isHeat = (id: ParameterId) => id === 'heat' || isFlame(id)

/**
 * The figures with each parameter multiplied by e to its logarithm; flames that were not used move with those that were,
 * as far as what is known of the burner by them.
 */
function apply(before: Measured, parameters: readonly ParameterId[], logs: readonly number[]): Measured {
  const times = (id: ParameterId) => Math.exp(logs[parameters.indexOf(id)] ?? 0)
  const used = parameters.filter(isFlame)
  const mean = used.length === 0 ? 0 : used.reduce((sum, id) => sum + Math.log(times(id)), 0) / used.length
  const others = (mean * SHARED_BY_FLAMES) / (SHARED_BY_FLAMES + (1 - SHARED_BY_FLAMES) / Math.max(1, used.length))
  const flame = (id: FlameName) => before.burner[id] * (used.includes(id) ? times(id) : Math.exp(others))
  const measured = parameters.filter((id) => !isFlame(id))
  return {
    appliance: scaled(before.appliance, Object.fromEntries(measured.map((id) => [id, times(id)]))),
    burner: { high: flame('high'), medium: flame('medium'), low: flame('low'), simmer: flame('simmer') },
  }
}

/** A parameter's figure in W, W/K, Pa, kg/s or as a share. */
function valueOf({ appliance, burner }: Measured, id: ParameterId): number {
  return isFlame(id) ? burner[id] : parameterOf(appliance, id)
}

function fit(residuals: (logs: readonly number[]) => number[], size: number, count: number): number[] {
  const index = Array.from({ length: count }, (_, i) => i)
  const bound = Math.log(MOST_TIMES)
  const { parameterValues } = levenbergMarquardt(
    { x: index, y: index.map(() => 0) },
    (logs) => {
      const found = residuals(logs)
      return (i: number) => found[i]!
    },
    {
      initialValues: Array.from({ length: size }, () => 0),
      minValues: Array.from({ length: size }, () => -bound),
      maxValues: Array.from({ length: size }, () => bound),
      damping: 0.1,
      gradientDifference: 1e-4,
      centralDifference: true,
      maxIterations: 60,
      errorTolerance: 1e-9,
    },
  )
  return parameterValues
}

/** One standard deviation of each parameter: the inverse of the curvature of the least squares at its foot. */
function spreadAt(residuals: (logs: readonly number[]) => number[], logs: readonly number[]): number[] {
  const STEP = 1e-3
  const columns = logs.map((_, i) => {
    const moved = (by: number) => residuals(logs.map((log, j) => (i === j ? log + by : log)))
    const [less, more] = [moved(-STEP), moved(STEP)]
    return more.map((value, row) => (value - less[row]!) / (2 * STEP))
  })
  const jacobian = new Matrix(columns).transpose()
  const covariance = inverse(jacobian.transpose().mmul(jacobian))
  return logs.map((_, i) => Math.sqrt(covariance.get(i, i)))
}

function checkTest(test: WaterTest, appliance: Appliance) {
  const { waterG, leftG, startC, place, marks } = test
  const found = [
    ...outOfBounds(waterG, 'testWaterG', 'test.waterG'),
    ...(leftG === undefined ? [] : outOfBounds(leftG, 'testLeftG', 'test.leftG')),
    ...outOfBounds(startC, 'testStartC', 'test.startC'),
    ...outOfBounds(place.altitudeM, 'altitudeM', 'test.place.altitudeM'),
    ...outOfBounds(place.roomC, 'roomC', 'test.place.roomC'),
  ]
  if (found.length > 0) return found
  if (leftG !== undefined && leftG >= waterG)
    return [problem('test-gained-water', 'test.leftG', { left: leftG, water: waterG })]
  if (marks.some(({ minute }, i) => !(minute >= (marks[i - 1]?.minute ?? 0))))
    return [problem('test-disordered', 'test.marks')]
  const count = (kind: TestMark['kind']) => marks.filter((mark) => mark.kind === kind).length
  const { least } = kindOf(appliance).test
  const complete = Object.entries(least).every(([kind, times]) => count(kind as TestMark['kind']) >= times)
  if (!complete) return [problem('test-incomplete', 'test.marks')]
  const first = marks.find(({ kind }) => kind === 'whistle' || kind === 'pressure' || kind === 'boils')
  if (first && first.minute < 0.5) return [problem('test-too-quick', 'test.marks')]
  return []
}
