import { flamesTimes } from '../appliance/burner'
import { scaled } from '../appliance/parameters'
import { heatsItself, holdsPressure } from '../appliance/appliance'
import { simulate } from '../pot/simulate'
import type { Outcome } from '../problem'
import { OWN_OF_FLAME, UNMEASURED } from '../unknown'
import type { Closing } from './closing'
import { caseOf } from './closing-case'
import { whistlingTimesW } from './flame'
import type { PlannedClosing } from './plan-closing'
import type { PreparedPot } from './prepared'
import { programOf, solve, type Solution } from './solve'
import { shapeOf } from './styles'

export interface FigureRange {
  unit: 'whistles' | 'minutes'
  /** The figure that was computed, or the one that was given. */
  figure: number
  low: number
  high: number
}

export interface Spread {
  range: FigureRange
  /** Boil-minutes that each food may get from the chosen program. */
  gets: { low: number; high: number }[]
}

/** Standard deviations under which nine in ten of a normal spread lie. */
const NINE_IN_TEN = 1.28
/** g of water at a time for a pot that must go on (engineering estimate). */
const SPLASH_G = 60
const MOST_SPLASHES = 4

/**
 * The figures that what is unknown about the pot and the bag may ask for in one closing: four in five pots need one
 * within the range, nine in ten no more than its upper end (range.test.ts draws them). Each unknown is moved either way
 * by as much as one pot in ten exceeds, the program solved again, and the shifts added in quadrature, since it is
 * unlikely that all are off in the same direction. `taken` is what the cook means to run, where that is not the
 * program that was solved for.
 */
export function spreadOf(planned: PlannedClosing, taken: PlannedClosing = planned): Spread {
  const { closing, solution } = planned.median ?? planned
  const { unit, figure } = solution
  const { min, max } = boundsOf(closing.pot, solution)
  const { pourG } = planned.water
  const shifts: number[] = []
  const moveFigure = (variant: Closing, needTimes = 1) => {
    // What takes longer than planned boils dry on the planned water; the cook who goes on gives it more.
    let solved = solve(variant, pourG, needTimes)
    for (let more = 1; isDry(solved) && more <= MOST_SPLASHES; more++)
      solved = solve(variant, pourG + more * SPLASH_G, needTimes)
    if (solved.ok) shifts.push(solved.value.exactFigure - solution.exactFigure)
    // Beyond what can be programmed (a flame that hardly holds the pressure): as far as it goes.
    else if (!isDry(solved)) shifts.push(max - solution.exactFigure)
  }
  const isLectin = closing.pot.foods.some(({ food }, i) => food.lectin && closing.needs[i]! > 0)
  for (const { pot, lectin = isLectin } of movedPots(taken)) if (lectin === isLectin) moveFigure({ ...closing, pot })
  for (const sign of SIGNS) moveFigure(closing, oneInTen(spreadsOf(closing).batch, sign))
  const low = Math.max(min, Math.ceil(solution.exactFigure - quadrature(shifts, -1) - 1e-9))
  const high = Math.ceil(solution.exactFigure + quadrature(shifts, 1) - 1e-9)
  return {
    range: {
      unit,
      figure: taken.solution.figure,
      low: Math.min(low, figure),
      high: Math.max(high, planned.solution.figure),
    },
    gets: getsSpread(taken),
  }
}

/** Of a solution what it may give: the margin, the limit and the range of one plan ask for the same. */
const known = new WeakMap<Solution, Spread['gets']>()

/** Boil-minutes that each food may get from a program, by what is unknown of the pot and the bag: nine in ten more than `low`. */
export function getsSpread(taken: PlannedClosing): Spread['gets'] {
  const gets = known.get(taken.solution) ?? getsOf(taken)
  known.set(taken.solution, gets)
  return gets
}

function getsOf(taken: PlannedClosing): Spread['gets'] {
  const { closing, solution, water } = taken
  const { simulation, case: ran } = solution
  const ratios = simulation.boilMinutes.map(() => [] as number[])
  for (const { pot, lectin } of movedPots(taken)) {
    const variant = { ...closing, pot }
    const program = programOf(variant, solution, solution.figure)
    const moved = simulate({ ...caseOf(variant, water.pourG, program), release: ran.release })
    moved.boilMinutes.forEach((got, i) => {
      const before = simulation.boilMinutes[i]!
      const speaksOf = lectin === undefined || lectin === pot.foods[i]!.food.lectin
      if (speaksOf && got > 0 && before > 0) ratios[i]!.push(Math.log(got / before))
    })
  }
  // A bag that needs a fifth more is as far from done as a pot that gives a fifth less.
  for (const sign of SIGNS) ratios.forEach((list) => list.push(-Math.log(oneInTen(spreadsOf(closing).batch, sign))))
  return simulation.boilMinutes.map((got, i) => ({
    low: got * Math.exp(-quadrature(ratios[i]!, -1)),
    high: got * Math.exp(quadrature(ratios[i]!, 1)),
  }))
}

const SIGNS = [-1, 1] as const

/** The factor that one in ten exceeds, to one side, of something known to so large a share. */
const oneInTen = (share: number, sign: -1 | 1) => (1 + share) ** (sign * NINE_IN_TEN)

/** Shares to which a closing's flame, bag and pressure are known. */
function spreadsOf({ pot: { request } }: Closing) {
  return { flame: UNMEASURED.heat, batch: UNMEASURED.batch, lift: UNMEASURED.lift, ...request.spread }
}

/** A pot with something that is unknown of it moved, and the foods that it speaks of; all if left out. */
interface Moved {
  pot: PreparedPot
  lectin?: boolean
}

/**
 * The pot with each thing that is unknown of it moved either way. A flame that whistles are counted on is set by how
 * often they come, so that this is what is unknown of it; beans with lectin do not count on it.
 */
function movedPots({ closing, solution }: PlannedClosing): Moved[] {
  const { pot } = closing
  const { flame, lift } = spreadsOf(closing)
  return SIGNS.flatMap((sign): Moved[] => {
    const heat = withHeat(pot, oneInTen(flame, sign))
    return [
      ...(isSetByWhistles(pot)
        ? [
            { pot: heat, lectin: true },
            { pot: withPace(pot, oneInTen(flame, sign)), lectin: false },
          ]
        : [{ pot: heat }]),
      { pot: withAppliance(pot, { pressure: oneInTen(lift, sign) }) },
      ...(goesByClock(pot, solution)
        ? [
            {
              pot: withAppliance(pot, { loss: oneInTen(UNMEASURED.loss, sign), leak: oneInTen(UNMEASURED.leak, sign) }),
            },
            { pot: withTurned(pot, oneInTen(OWN_OF_FLAME * flame, sign)) },
          ]
        : []),
    ]
  })
}

/** True of a flame that is turned down to after the first whistle, and counted on; one that stays on high is set by nothing. */
const isSetByWhistles = ({ style }: PreparedPot) =>
  style.kind === 'whistles' && style.heatUp !== undefined && style.heatUp !== style.flame

/**
 * True where minutes pass on a flame of the cook's with nothing to be heard of: how hot the pot stays then is decided
 * by what it gives off and by how far the knob was turned. Whistles make up for both.
 */
function goesByClock({ cooker: { appliance } }: PreparedPot, { unit }: Solution): boolean {
  return unit === 'minutes' && holdsPressure(appliance) && !heatsItself(appliance)
}

/** Less than this between heat off and no pressure, and the pot had hardly any (engineering estimate). */
const HARDLY_ANY_MINUTES = 1

/**
 * True where the flame that is counted on is so near to what the pot gives off that it may lose its pressure on it:
 * with the flame as much weaker and the losses as much higher as both together are in one pot in ten.
 */
export function mayLosePressure({ closing, water, solution }: PlannedClosing): boolean {
  const { pot } = closing
  if (!goesByClock(pot, solution)) return false
  const { flame } = spreadsOf(closing)
  const both = (share: number, sign: -1 | 1) => oneInTen(share, sign) ** Math.SQRT1_2
  const weaker = withTurned(withHeat(pot, both(flame, -1)), both(OWN_OF_FLAME * flame, -1))
  const variant = { ...closing, pot: withAppliance(weaker, { loss: both(UNMEASURED.loss, 1) }) }
  const program = programOf(variant, solution, solution.figure)
  const { releaseMinutes, ending } = simulate({
    ...caseOf(variant, water.pourG, program),
    release: { kind: 'natural' },
  })
  return ending === 'done' && releaseMinutes < HARDLY_ANY_MINUTES
}

const isDry = (solved: Outcome<Solution>) => !solved.ok && solved.problems[0]!.code === 'boils-dry'

/** A range of nothing but the figure itself. */
export function noSpread({ solution: { unit, figure, simulation } }: PlannedClosing): Spread {
  return {
    range: { unit, figure, low: figure, high: figure },
    gets: simulation.boilMinutes.map((got) => ({ low: got, high: got })),
  }
}

function boundsOf({ style, burner, cooker }: PreparedPot, { figure }: Solution): { min: number; max: number } {
  if (style.kind === 'fixed') return { min: figure, max: figure }
  if (style.kind === 'rice-cooker') return { min: 1, max: 240 }
  return shapeOf(style, burner, cooker.appliance)
}

/** The shifts of one sign added as independent errors are. */
function quadrature(shifts: readonly number[], sign: -1 | 1): number {
  return Math.sqrt(shifts.filter((shift) => shift * sign > 0).reduce((sum, shift) => sum + shift * shift, 0))
}

function withHeat(pot: PreparedPot, times: number): PreparedPot {
  if (heatsItself(pot.cooker.appliance)) return withAppliance(pot, { heat: times })
  return { ...pot, burner: flamesTimes(pot.burner, times) }
}

/** The flame on which whistles are counted so much stronger that they come so many times as often; the others as much. */
function withPace(pot: PreparedPot, times: number): PreparedPot {
  const { style, burner, request } = pot
  if (style.kind !== 'whistles') return pot
  const { altitudeM, roomC } = request.kitchen
  const heatW = whistlingTimesW({ cooker: pot.cooker, altitudeM, roomC }, burner[style.flame], times)
  return { ...pot, burner: { ...flamesTimes(burner, times), [style.flame]: heatW } }
}

/** Every flame but high, on which a pot is brought to pressure, so many times as strong. */
function withTurned(pot: PreparedPot, times: number): PreparedPot {
  return { ...pot, burner: { ...flamesTimes(pot.burner, times), high: pot.burner.high } }
}

function withAppliance(pot: PreparedPot, by: Parameters<typeof scaled>[1]): PreparedPot {
  return { ...pot, cooker: { ...pot.cooker, appliance: scaled(pot.cooker.appliance, by) } }
}
