import { EigenvalueDecomposition, Matrix, solve } from 'ml-matrix'
import { heatsItself, kindOf } from '../appliance/appliance'
import { parameterOf } from '../appliance/parameters'
import type { Burner } from '../appliance/burner'
import { cooksCovered } from '../food/food'
import type { FoodGroup } from '../food/food.schema'
import type { Need } from '../food/need'
import { replay, type Course, type Guess, type LivePlan } from '../live/course'
import type { RunEvent } from '../live/event.schema'
import { closingsOf } from '../live/follow'
import { NATURAL } from '../live/future'
import { heardOf, type Belief, type Unknown } from '../live/infer'
import { asPlanned, lookAhead, type Banded } from '../live/outlook'
import { runState, ventedSince, type Cycle, type RunState } from '../live/run'
import { MINUTE_MS } from '../measure/time'
import { FLAMES, type FlameName, type Pinch } from '../names'
import { inBase } from '../program/closing'
import type { PreparedFood } from '../program/prepared'
import { endsByItself } from '../program/styles'
import { SHARED_BY_FLAMES, UNMEASURED } from '../unknown'
import { FROM_RUN_TO_RUN } from './figure'

/** Something that one run measured of a sum of logarithms. */
export interface Measured {
  value: number
  sd: number
}

/** Shares in which the flames of a burner made the heat of a cycle; null for a cooker's own. */
export type FlameShares = Partial<Record<FlameName, number>> | null

/**
 * The food's own steps of done, as logarithms of its need for the texture that was wanted: down to which it is still the
 * texture before, up to which it is right, and up to which it is only softer than wanted.
 */
export interface DonenessWindow {
  firmer: number
  right: number
  softer: number
}

/** Steps where a food's window has none of its own (engineering estimate). */
const USUAL_STEP = Math.log(1.28)
const APART = 1.02

/** The steps of done of a food that needs so many boil-minutes, by its window. */
export function donenessWindowOf({ boilMinutes, window }: Need): DonenessWindow {
  const levels = [window.firm, window.tender, window.soft, window.max].map((level) => Math.log(level / boilMinutes))
  const above = levels.filter((level) => level > Math.log(APART))
  const below = levels.filter((level) => level < -Math.log(APART))
  const right = above[0] ?? USUAL_STEP
  // “Much too soft” is said of a texture beyond the next, not only of what is lost: else nobody would be believed.
  return { firmer: below.at(-1) ?? -USUAL_STEP, right, softer: right + USUAL_STEP }
}

/** What one food of a run got and was planned to need, as catalogue and circumstances have it. */
export interface FoodFit {
  foodId: string
  group: FoodGroup
  /** Logarithm of the boil-minutes that it got over those that it needs from a fresh bag, and how sure. */
  logGot: Measured
  /** By how much that grows with the logarithm of the heat, where nothing was heard that tells the heat. */
  byHeat: number
  isOld: boolean
  /** What is felt as right, firmer and softer. */
  window: DonenessWindow
  /** What a pinch told when it was opened before it was done; empty where nobody pinched. */
  pinches: { logGot: Measured; pinch: Pinch }[]
  /** g of water per g of dry food that it was planned to drink. */
  uptake: number
  /** It stands in a tin of its own, where nothing boils away. */
  inTin: boolean
}

/**
 * What a run says of its kitchen, before anything else is known: kept with the run, so that learning from a log costs
 * no simulation. Figures are logarithms of factors on what was assumed without any learning.
 */
export interface RunFit {
  litAt: number
  /** What was assumed then: the heat of each flame into the pot or of the cooker itself, in W; lost W/K. */
  said: { flameW: Burner | null; ownW: number | null; lossWPerK: number }
  /**
   * By closing of the lid: directions in which the signs tell the heat it was lit on (by `flames`), the swing, and the
   * heat of the flame it was `turnedTo`, besides what flames share, and the heat that the pot gives off.
   */
  heard: {
    flames: FlameShares
    turnedTo: FlameName | null
    says: (Measured & { heat: number; swing: number; turned: number; loss: number })[]
  }[]
  /** What the fall of the pressure says of the heat that is lost; null where nobody saw it fall. */
  loss: Measured | null
  foods: FoodFit[]
  /** It cooked under pressure, of which nothing tells how high it really was. */
  underPressure: boolean
  /** The flames under which a food got what it got, where nothing was heard. */
  unheard: FlameShares
  /** Water around what stands in the base, over what was wanted, and steam lost, in g per g of dry food. */
  water: { over: number; steam: number; sd: number } | null
}

/** The indicator is seen to be down so much after it is, and so exactly, in minutes (engineering estimates). */
const SEEN_LATE_MINUTES = 0.5
const SEEN_DOWN_MINUTES = 1
/** A fall that should have been shorter tells nothing of what is lost; one that was is not measured more finely. */
const LEAST_FALL_MINUTES = 2
const SHORTEST_FALL_MINUTES = 0.5
/** Of a pot that fits no plan nobody knows what its food got, but by the clock (engineering estimate). */
const STRANGE_SD = 0.3
/** What a cooker that decides for itself gives a food, besides what was planned (engineering estimate). */
const BY_ITSELF_SD = 0.12
/** g of water per g of food by which the plan's own water is off (engineering estimate). */
const WATER_SD = 0.08
/** A direction that is told less exactly than this says nothing. */
const LEAST_TOLD = 1
const STEP = 0.03
/** A pot whose opening nobody wrote down stood no longer than this after its heat went off. */
const STOOD_MS = 45 * MINUTE_MS

/** What a run says; null for one that was never cooked to an end. Throws UnreadablePlan as following it does. */
export function fitRun(plan: LivePlan, events: readonly RunEvent[]): RunFit | null {
  const state = runState(events)
  if (state.phase === 'abandoned' || state.cycles[0].litAt === null) return null
  const cycles = closingsOf(plan, events).flatMap(({ cycle, course }, i) => {
    const endMs =
      cycle.openedAt ?? cycle.pressureGoneAt ?? (cycle.heatOffAt === null ? null : cycle.heatOffAt + STOOD_MS)
    if (cycle.litAt === null || endMs === null) return []
    const upTo = { ...state, cycles: state.cycles.slice(0, i + 1) as RunState['cycles'] }
    return [{ cycle, ...cycleFit(course, cycle, upTo, endMs, plan.answer.waterLeftG) }]
  })
  const last = cycles.at(-1)
  if (!last) return null
  const { pot } = last.course.closing
  const learnt = pot.request.learnt
  const unheard = cycles.find(({ isHeard }) => !isHeard)
  return {
    litAt: state.cycles[0].litAt,
    said: saidOf(last.course),
    heard: cycles.flatMap(({ heard }) => (heard ? [heard] : [])),
    loss: cycles.flatMap(({ loss }) => (loss ? [loss] : [])).at(-1) ?? null,
    foods: pot.foods.map(({ food, need, uptakeG, dryG, tin }, i): FoodFit => {
      const all = last.got[i]!.value
      const share = (of: (cycle: (typeof cycles)[number]) => number) =>
        cycles.reduce((sum, cycle, k) => {
          const before = k === 0 ? 0 : cycles[k - 1]!.got[i]!.value
          return sum + (of(cycle) * Math.max(0, cycle.got[i]!.value - before)) / Math.max(all, 1e-6)
        }, 0)
      const times = need.factors.reduce((product, one) => (NOT_ASSUMED.has(one.id) ? product * one.times : product), 1)
      const sd = share(({ sd }) => sd[i]!)
      return {
        foodId: food.id,
        group: food.group,
        // At the heat that was assumed, without what the plan had learnt of it already.
        logGot: {
          value:
            Math.log((Math.max(all, 1e-6) * times) / need.boilMinutes) -
            share((cycle) => cycle.byHeat[i]! * cycle.heat),
          sd,
        },
        byHeat: share(({ byHeat }) => byHeat[i]!),
        isOld: need.factors.some(({ id }) => id === 'old-batch'),
        window: donenessWindowOf(need),
        pinches: cycles.flatMap(({ got, sd, cycle: { openedAt } }, k) => {
          const pinch = openedAt === null ? null : (cycles[k + 1]?.cycle.more?.pinch[i] ?? null)
          const had = got[i]!.value
          if (!pinch || had <= 0) return []
          return [{ pinch, logGot: { value: Math.log((had * times) / need.boilMinutes), sd: sd[i]! } }]
        }),
        uptake: uptakeG / dryG / (learnt?.contents?.[i]?.uptake ?? 1),
        inTin: tin !== null,
      }
    }),
    underPressure: kindOf(last.course.pot.appliance).holdsPressure,
    unheard: unheard ? unheard.flames : null,
    water: last.water,
  }
}

/** Factors of a need that are a matter of learning, and are not part of what is assumed. */
const NOT_ASSUMED: ReadonlySet<string> = new Set(['learnt', 'old-batch'])

interface CycleFit {
  course: Course
  flames: FlameShares
  isHeard: boolean
  heard: RunFit['heard'][number] | null
  loss: Measured | null
  got: Banded[]
  sd: number[]
  byHeat: number[]
  /** Logarithm of the heat that it was worked out with, over what is assumed. */
  heat: number
  water: RunFit['water']
}

function cycleFit(course: Course, cycle: Cycle, state: RunState, endMs: number, plannedLeftG: number): CycleFit {
  const { flames, turnedTo } = flamesOf(course, cycle)
  if (endsByItself(course.closing.pot.style)) {
    const { gotNow, waterNowG } = asPlanned(course, state, endMs)
    const sd = gotNow.map(() => BY_ITSELF_SD)
    const none = {
      flames,
      isHeard: true,
      heard: null,
      loss: null,
      byHeat: gotNow.map(() => 0),
      heat: 0,
    }
    return { ...none, course, got: gotNow, sd, water: waterOf(course, waterNowG, plannedLeftG) }
  }
  const isHeard = heardOf(course, state, endMs).minutes.length > 0
  const looking = lookAhead(course, state, endMs, { bands: isHeard })
  const { gotNow, waterNowG, understood } = looking.outlook(null)
  const { guess, unknowns, prior } = looking.belief
  const logOf = (of: Guess) => potGot(course, cycle, of, endMs)
  const here = logOf(guess)
  const slope = (name: keyof Guess) =>
    logOf({ ...guess, [name]: (guess[name] ?? 0) + STEP }).map((got, i) => (got - here[i]!) / STEP)
  const byHeat = isHeard ? here.map(() => 0) : slope('logHeat')
  const byLift = slope('logLift')
  // Where nothing was heard, all but the heat, which the log may know, is as unsure as before the pot was lit.
  const unheard = isHeard
    ? []
    : unknowns.flatMap((name, k) => (name === 'logHeat' ? [] : [slope(name).map((by) => by * prior[k]!)]))
  const offset = offsetOf(course, flames, turnedTo)
  const sd = gotNow.map(({ value, low, high }, i) => {
    const strange = understood ? 0 : STRANGE_SD
    const lift = UNMEASURED.lift * byLift[i]!
    if (!isHeard) return Math.hypot(FROM_RUN_TO_RUN.got, strange, ...unheard.map((by) => by[i]!))
    const all = value > 0 ? Math.log(Math.max(high, 1e-6) / Math.max(low, 1e-6)) / 2 : 0
    return Math.hypot(Math.sqrt(Math.max(0, all * all - lift * lift)), FROM_RUN_TO_RUN.got, strange)
  })
  return {
    course,
    flames,
    isHeard,
    heard: isHeard && understood ? { flames, turnedTo, says: told(looking.belief, offset) } : null,
    loss: understood ? lossOf(course, cycle, state, guess) : null,
    got: gotNow,
    sd,
    byHeat,
    heat: guess.logHeat + offset.logHeat,
    water: waterOf(course, waterNowG, plannedLeftG),
  }
}

/** Logarithms of the boil-minutes of a cycle under a guess. */
function potGot(course: Course, cycle: Cycle, guess: Guess, untilMs: number): number[] {
  return replay(course, cycle, guess, untilMs)
    .boilMinutes()
    .map((got, i) => Math.log(Math.max(got + course.had[i]!, 1e-6)))
}

/** What of a fit is learnt; the rest is as unsure as it was and is summed over. */
const LEARNT_OF: readonly Unknown[] = ['logHeat', 'logSwing', 'logTurned', 'logLoss']

/** What a fit says apart from the prior that it began with: one sure value along each axis of what was heard. */
function told({ guess, unknowns, normal, prior }: Belief, offset: Offset): RunFit['heard'][number]['says'] {
  const all = new Matrix(normal)
  // The fit with its prior: normal matrix times guess is what was heard times its own matrix.
  const vector = all.mmul(Matrix.columnVector(unknowns.map((name) => guess[name] ?? 0)))
  const said = Matrix.sub(all, Matrix.diag(prior.map((sd) => 1 / sd ** 2)))
  const kept = unknowns.flatMap((name, i) => (LEARNT_OF.includes(name) ? [i] : []))
  const rest = unknowns.flatMap((name, i) => (LEARNT_OF.includes(name) ? [] : [i]))
  const column = [0]
  let matrix: Matrix = said.selection(kept, kept)
  let heard: Matrix = vector.selection(kept, column)
  if (rest.length > 0) {
    const across = said.selection(kept, rest)
    const own = all.selection(rest, rest)
    matrix = Matrix.sub(matrix, across.mmul(solve(own, said.selection(rest, kept))))
    heard = Matrix.sub(heard, across.mmul(solve(own, vector.selection(rest, column))))
  }
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(matrix, { assumeSymmetric: true })
  return realEigenvalues.flatMap((sure, axis) => {
    if (sure < 1 / LEAST_TOLD ** 2) return []
    const along = eigenvectorMatrix.getColumn(axis)
    const of = (name: Unknown) => along[kept.indexOf(unknowns.indexOf(name))] ?? 0
    const [heat, swing, turned, loss] = [of('logHeat'), of('logSwing'), of('logTurned'), of('logLoss')]
    const shift = heat * offset.logHeat + swing * offset.logSwing + turned * offset.logTurned + loss * offset.logLoss
    const value = along.reduce((sum, part, i) => sum + part * heard.get(i, 0), 0) / sure + shift
    const { heat: heatSd, swing: swingSd } = FROM_RUN_TO_RUN
    const own = Math.hypot(heat * heatSd, swing * swingSd, turned * heatSd)
    return [{ heat, swing, turned, loss, value, sd: Math.hypot(1 / Math.sqrt(sure), own) }]
  })
}

type Offset = Record<'logHeat' | 'logSwing' | 'logTurned' | 'logLoss', number>

/** What the plan had learnt already, as logarithms. */
function offsetOf({ closing }: Course, flames: FlameShares, turnedTo: FlameName | null): Offset {
  const { learnt } = closing.pot.request
  const log = (times = 1) => Math.log(times)
  const logHeat = flames
    ? FLAMES.reduce((sum, flame) => sum + (flames[flame] ?? 0) * log(learnt?.flames?.[flame]), 0)
    : log(learnt?.heat)
  const logTurned = turnedTo ? log(learnt?.flames?.[turnedTo]) - SHARED_BY_FLAMES * logHeat : 0
  return { logHeat, logSwing: log(learnt?.swing), logTurned, logLoss: log(learnt?.loss) }
}

function saidOf({ closing }: Course): RunFit['said'] {
  const { request, cooker, burner } = closing.pot
  const { learnt } = request
  const own = heatsItself(cooker.appliance)
  const flameW = Object.fromEntries(FLAMES.map((flame) => [flame, burner[flame] / (learnt?.flames?.[flame] ?? 1)]))
  return {
    flameW: own ? null : (flameW as Burner),
    ownW: own ? parameterOf(cooker.appliance, 'heat') / (learnt?.heat ?? 1) : null,
    lossWPerK: cooker.appliance.lossWPerK / (learnt?.loss ?? 1),
  }
}

/**
 * The flames of which the signs of a cycle tell: the one that it was lit on, and the one that burnt longest of those that
 * it was turned to before the last sign. A cooker's own heat has none.
 */
function flamesOf({ closing, program }: Course, cycle: Cycle): { flames: FlameShares; turnedTo: FlameName | null } {
  const { burner, cooker } = closing.pot
  if (heatsItself(cooker.appliance)) return { flames: null, turnedTo: null }
  const first = program[0]!
  const lit = ('heatW' in first ? FLAMES.find((flame) => Math.abs(burner[flame] - first.heatW) < 1e-6) : null) ?? 'high'
  const until = cycle.whistles.at(-1)?.at ?? cycle.atPressureAt ?? cycle.boilsAt ?? cycle.heatOffAt ?? cycle.openedAt!
  const minutes = new Map<FlameName, number>()
  cycle.flameChanges.forEach(({ at, flame }, i) => {
    const to = Math.min(cycle.flameChanges[i + 1]?.at ?? until, until)
    if (to > at && flame !== lit) minutes.set(flame, (minutes.get(flame) ?? 0) + (to - at))
  })
  const turnedTo = [...minutes].reduce<FlameName | null>(
    (longest, [flame, long]) => (longest === null || long > minutes.get(longest)! ? flame : longest),
    null,
  )
  return { flames: { [lit]: 1 }, turnedTo }
}

/** How the pressure fell by itself, against how it should have. */
function lossOf(course: Course, cycle: Cycle, state: RunState, guess: Guess): Measured | null {
  const { heatOffAt, pressureGoneAt } = cycle
  if (!kindOf(course.pot.appliance).holdsPressure || heatOffAt === null || pressureGoneAt === null) return null
  if (ventedSince(cycle) !== null) return null
  // Gone at once is the sign of a gasket that leaks, not of a mistake.
  const observed = Math.max(SHORTEST_FALL_MINUTES, (pressureGoneAt - heatOffAt) / MINUTE_MS - SEEN_LATE_MINUTES)
  const fall = (lossTimes: number) => {
    const appliance = { ...course.pot.appliance, lossWPerK: course.pot.appliance.lossWPerK * lossTimes }
    const run = replay({ ...course, pot: { ...course.pot, appliance } }, cycle, guess, heatOffAt)
    run.release(NATURAL)
    return run.result().releaseMinutes
  }
  // From where the pot was when its heat went off: just after its whistle it has less to lose than just before.
  const then = [...state.cycles.slice(0, -1), { ...cycle, pressureGoneAt: null, openedAt: null }] as RunState['cycles']
  const natural = { ...course, release: NATURAL }
  const { opensAt } = lookAhead(natural, { ...state, cycles: then }, heatOffAt, {
    bands: false,
    before: guess,
  }).outlook(null)
  const planned = (opensAt.value - heatOffAt) / MINUTE_MS
  if (planned < LEAST_FALL_MINUTES) return null
  const byLoss = Math.log(fall(1 + STEP) / fall(1)) / Math.log(1 + STEP)
  if (!(byLoss < -0.2)) return null
  const sd = Math.hypot(FROM_RUN_TO_RUN.loss, SEEN_DOWN_MINUTES / (observed + SEEN_DOWN_MINUTES)) / -byLoss
  const offset = Math.log(course.closing.pot.request.learnt?.loss ?? 1)
  return { value: Math.log(observed / planned) / byLoss + offset, sd }
}

/** What was wanted around the foods; what cooks covered is judged by what was to be left of the water that covers it. */
export function wantedWaterG(base: readonly PreparedFood[], plannedLeftG: number): number {
  const wantedG = base.reduce((sum, item) => sum + item.freeLiquidG, 0)
  return base.some(({ food }) => cooksCovered(food)) ? Math.max(wantedG, plannedLeftG) : wantedG
}

const drunkInPotG = (base: readonly PreparedFood[]) =>
  base.reduce((sum, item) => sum + Math.max(0, item.uptakeG - item.insideG), 0)

/** How wet the base came out, by the model, over what was wanted; null where nothing in it drinks. */
function waterOf(course: Course, { value: freeG, low, high }: Banded, plannedLeftG: number): RunFit['water'] {
  const { closing, pot } = course
  const base = inBase(closing).filter(({ food }) => food.soak !== null)
  const dryG = base.reduce((sum, item) => sum + item.dryG, 0)
  if (dryG === 0) return null
  const timesOf = (item: PreparedFood) =>
    closing.pot.request.learnt?.contents?.[closing.pot.foods.indexOf(item)]?.uptake ?? 1
  // As much is drunk as is assumed without learning; where the simulation let it drink, that has come off already.
  const drunkG = base.reduce(
    (sum, item) => sum + item.uptakeG / timesOf(item) - (pot.grain ? item.uptakeG : item.insideG),
    0,
  )
  const wantedG = wantedWaterG(base, plannedLeftG)
  const lostG = Math.max(0, pot.load.freeWaterKg * 1000 - freeG - (pot.grain ? drunkInPotG(base) : 0))
  return {
    over: (freeG - drunkG - wantedG) / dryG,
    steam: lostG / dryG,
    sd: Math.hypot(WATER_SD, (high - low) / 2 / dryG),
  }
}
