import type { Appliance } from '../pot/appliance'
import type { ResolvedPlan } from './resolve'
import { solve, type Solution } from './solve'
import { shapeOf } from './styles'

// One standard deviation of what nobody has measured yet (engineering estimates).
const FLAME_SPREAD = 0.15
const BATCH_SPREAD = 0.2
const LIFT_SPREAD = 0.08

export interface FigureRange {
  unit: 'whistles' | 'minutes'
  figure: number
  low: number
  high: number
}

/**
 * The figures that cover what is unknown about flame, bag and weight. Each unknown is moved by one
 * standard deviation either way, the program solved again, and the shifts added in quadrature, since
 * it is unlikely that all are off in the same direction.
 */
export function rangeOf(plan: ResolvedPlan, pourG: number, solution: Solution): FigureRange {
  const { unit, min } = shapeOf(plan.style, plan.burner)
  const shifts: number[] = []
  const tryOut = (variant: ResolvedPlan, needTimes = 1) => {
    const solved = solve(variant, pourG, needTimes)
    // A flame too weak for the pot has no figure to add; the nominal one has been solved.
    if (solved.ok) shifts.push(solved.value.exactFigure - solution.exactFigure)
  }
  for (const sign of [-1, 1]) {
    tryOut(withHeat(plan, 1 + sign * FLAME_SPREAD))
    tryOut(withPressure(plan, 1 + sign * LIFT_SPREAD))
    tryOut(plan, 1 + sign * BATCH_SPREAD)
  }
  const spread = (side: -1 | 1) =>
    Math.sqrt(shifts.filter((shift) => shift * side > 0).reduce((sum, shift) => sum + shift * shift, 0))
  const low = Math.max(min, Math.ceil(solution.exactFigure - spread(-1) - 1e-9))
  const high = Math.max(solution.figure, Math.ceil(solution.exactFigure + spread(1) - 1e-9))
  return { unit, figure: solution.figure, low: Math.min(low, solution.figure), high }
}

function withHeat(plan: ResolvedPlan, times: number): ResolvedPlan {
  const { appliance } = plan.cooker
  if (appliance.kind === 'electric') return withAppliance(plan, { ...appliance, heaterW: appliance.heaterW * times })
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
