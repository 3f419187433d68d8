import { flamesTimes } from '../appliance/burner'
import { scaled } from '../appliance/figures'
import { heatsItself } from '../appliance/appliance'
import { simulate } from '../pot/simulate'
import type { Outcome } from '../problem'
import { UNMEASURED } from '../unknown'
import type { Closing } from './closing'
import { caseOf } from './closing-case'
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
 * The figures that what is unknown about flame, bag and weight may ask for in one closing: four in five pots need
 * one within the range, nine in ten no more than its upper end (range.test.ts draws them). Each unknown is moved
 * either way by as much as one pot in ten exceeds, the program solved again, and the shifts added in quadrature,
 * since it is unlikely that all are off in the same direction. `taken` is what the cook means to run, where
 * that is not the program that was solved for.
 */
export function spreadOf(planned: PlannedClosing, taken: PlannedClosing = planned): Spread {
  const { closing, solution } = planned
  const { unit, figure } = solution
  const { simulation, case: ran } = taken.solution
  const spread = { flame: UNMEASURED.heat, batch: UNMEASURED.batch, lift: UNMEASURED.lift }
  Object.assign(spread, closing.pot.request.spread)
  const { min, max } = boundsOf(closing.pot, solution)
  const shifts: number[] = []
  const ratios = simulation.boilMinutes.map(() => [] as number[])
  const moveFigure = (variant: Closing, needTimes = 1) => {
    // What takes longer than planned boils dry on the planned water; the cook who goes on gives it more.
    let solved = solve(variant, planned.water.pourG, needTimes)
    for (let more = 1; isDry(solved) && more <= MOST_SPLASHES; more++)
      solved = solve(variant, planned.water.pourG + more * SPLASH_G, needTimes)
    if (solved.ok) shifts.push(solved.value.exactFigure - solution.exactFigure)
    // Beyond what can be programmed (a flame that hardly holds the pressure): as far as it goes.
    else if (!isDry(solved)) shifts.push(max - solution.exactFigure)
  }
  const movePot = (pot: PreparedPot) => {
    const variant = { ...closing, pot }
    moveFigure(variant)
    const program = programOf(variant, taken.solution, taken.solution.figure)
    const moved = simulate({ ...caseOf(variant, taken.water.pourG, program), release: ran.release })
    moved.boilMinutes.forEach((got, i) => {
      const before = simulation.boilMinutes[i]!
      if (got > 0 && before > 0) ratios[i]!.push(Math.log(got / before))
    })
  }
  for (const sign of [-1, 1]) {
    const times = (share: number) => (1 + share) ** (sign * NINE_IN_TEN)
    movePot(withHeat(closing.pot, times(spread.flame)))
    movePot(withAppliance(closing.pot, { pressure: times(spread.lift) }))
    moveFigure(closing, times(spread.batch))
    // A bag that needs a fifth more is as far from done as a pot that gives a fifth less.
    ratios.forEach((list) => list.push(-Math.log(times(spread.batch))))
  }
  const low = Math.max(min, Math.ceil(solution.exactFigure - quadrature(shifts, -1) - 1e-9))
  const high = Math.ceil(solution.exactFigure + quadrature(shifts, 1) - 1e-9)
  return {
    range: { unit, figure: taken.solution.figure, low: Math.min(low, figure), high: Math.max(high, figure) },
    gets: simulation.boilMinutes.map((got, i) => ({
      low: got * Math.exp(-quadrature(ratios[i]!, -1)),
      high: got * Math.exp(quadrature(ratios[i]!, 1)),
    })),
  }
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

function withAppliance(pot: PreparedPot, by: Parameters<typeof scaled>[1]): PreparedPot {
  return { ...pot, cooker: { ...pot.cooker, appliance: scaled(pot.cooker.appliance, by) } }
}
