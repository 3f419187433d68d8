import type { Appliance } from '../pot/appliance'
import type { Step } from '../pot/case'
import { simulate } from '../pot/simulate'
import { caseOf } from './load'
import type { ResolvedPlan } from './resolve'
import type { Settled } from './settle'
import { solve, type Solution } from './solve'
import { shapeOf } from './styles'

// One standard deviation of what nobody has measured yet (engineering estimates).
const UNMEASURED = { flame: 0.15, batch: 0.2, lift: 0.08 }

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

interface Poured {
  water: Pick<Settled['water'], 'pourG'>
  solution: Solution
}

/**
 * The figures that cover what is unknown about flame, bag and weight. Each unknown is moved by one
 * standard deviation either way, the program solved again, and the shifts added in quadrature, since
 * it is unlikely that all are off in the same direction. `taken` is what the cook means to run, where
 * that is not the program that was solved for.
 */
export function spreadOf(plan: ResolvedPlan, planned: Poured, taken: Poured = planned): Spread {
  const { solution } = planned
  const { unit, figure } = solution
  const { simulation, case: ran } = taken.solution
  const spread = { ...UNMEASURED, ...plan.request.spread }
  const { min, max } = boundsOf(plan, solution)
  const shifts: number[] = []
  const ratios = plan.foods.map(() => [] as number[])
  const moveFigure = (variant: ResolvedPlan, needTimes = 1) => {
    const solved = solve(variant, planned.water.pourG, needTimes)
    if (solved.ok) shifts.push(solved.value.exactFigure - solution.exactFigure)
    // Beyond what can be programmed (a flame that hardly holds the pressure): as far as it goes.
    else if (solved.problems[0]!.code !== 'boils-dry') shifts.push(max - solution.exactFigure)
  }
  const movePot = (variant: ResolvedPlan) => {
    moveFigure(variant)
    const moved = simulate({
      ...caseOf(variant, taken.water.pourG, programOf(variant, taken.solution)),
      release: ran.release,
    })
    moved.boilMinutes.forEach((got, i) => {
      const before = simulation.boilMinutes[i]!
      if (got > 0 && before > 0) ratios[i]!.push(Math.log(got / before))
    })
  }
  for (const sign of [-1, 1]) {
    movePot(withHeat(plan, 1 + sign * spread.flame))
    movePot(withPressure(plan, 1 + sign * spread.lift))
    moveFigure(plan, 1 + sign * spread.batch)
    // A bag that needs a fifth more is as far from done as a pot that gives a fifth less.
    ratios.forEach((list) => list.push(-Math.log(1 + sign * spread.batch)))
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

function boundsOf({ style, burner, cooker }: ResolvedPlan, { figure }: Solution): { min: number; max: number } {
  if (style.kind === 'fixed') return { min: figure, max: figure }
  if (style.kind === 'rice-cooker') return { min: 1, max: 240 }
  return shapeOf(style, burner, cooker.appliance)
}

/** The shifts of one sign added as independent errors are. */
function quadrature(shifts: readonly number[], sign: -1 | 1): number {
  return Math.sqrt(shifts.filter((shift) => shift * sign > 0).reduce((sum, shift) => sum + shift * shift, 0))
}

/** The chosen program as the variant's flames would run it. */
function programOf({ style, burner, cooker }: ResolvedPlan, { figure, case: { program } }: Solution): Step[] {
  if (style.kind === 'fixed' || style.kind === 'rice-cooker') return program
  const { before, last } = shapeOf(style, burner, cooker.appliance)
  return [...before, last(figure)]
}

function withHeat(plan: ResolvedPlan, times: number): ResolvedPlan {
  const { appliance } = plan.cooker
  if ('heaterW' in appliance) return withAppliance(plan, { ...appliance, heaterW: appliance.heaterW * times })
  if (appliance.kind === 'slow')
    return withAppliance(plan, { ...appliance, lowW: appliance.lowW * times, highW: appliance.highW * times })
  const { high, medium, low, simmer } = plan.burner
  return { ...plan, burner: { high: high * times, medium: medium * times, low: low * times, simmer: simmer * times } }
}

function withPressure(plan: ResolvedPlan, times: number): ResolvedPlan {
  const { appliance } = plan.cooker
  if (appliance.kind === 'electric')
    return withAppliance(plan, { ...appliance, highPa: appliance.highPa * times, lowPa: appliance.lowPa * times })
  if ('liftPa' in appliance)
    return withAppliance(plan, { ...appliance, liftPa: appliance.liftPa * times, reseatPa: appliance.reseatPa * times })
  return plan
}

function withAppliance(plan: ResolvedPlan, appliance: Appliance): ResolvedPlan {
  return { ...plan, cooker: { ...plan.cooker, appliance } }
}
