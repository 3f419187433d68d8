import type { Simulation, SimulationCase, Step } from '../pot/case'
import { startRun } from '../pot/run'
import { simulate } from '../pot/simulate'
import { failed, problem, type Outcome } from '../problem'
import { leastFigure } from './least-figure'
import { caseOf } from './load'
import type { ResolvedPlan } from './resolve'
import { RICE_REST_MINUTES, shapeOf } from './styles'

export interface Solution {
  unit: 'whistles' | 'minutes'
  /** The smallest whole figure that cooks every food. */
  figure: number
  /** The same before rounding up to a whole one; for ranges. */
  exactFigure: number
  simulation: Simulation
  case: SimulationCase
  /** The device's own program, and how often it runs. */
  fixedProgram: { id: string; name: string; times: number } | null
}

/** Nobody runs a device's program more often than this for one pot. */
const MOST_REPEATS = 3

/**
 * The smallest program of the plan's style in which every food gets what it needs, with so much
 * water poured; `needTimes` multiplies every need (for the spread of batches).
 */
export function solve(plan: ResolvedPlan, pourG: number, needTimes = 1): Outcome<Solution> {
  const { style } = plan
  if (style.kind === 'fixed') return solveFixed(plan, pourG, needTimes)
  if (style.kind === 'rice-cooker') return solveRiceCooker(plan, pourG)

  // The program is run once, a whistle or a minute at a time.
  const shape = shapeOf(style, plan.burner, plan.cooker.appliance)
  const base = caseOf(plan, pourG, [])
  const run = startRun(base)
  const ended = () => failed(endingProblem(run.result()))

  if (!shape.before.every((step) => run.step(step)) || !run.step(shape.last(shape.min))) return ended()

  const found = leastFigure(run, {
    from: shape.min,
    max: shape.max,
    by: shape.by,
    next: (figure) => run.step(shape.next(figure)),
    release: () => !plan.release || run.release(plan.release),
    surplus: (gets) => surplusOf(plan, needTimes, gets),
  })
  if (found === 'ended') return ended()
  if (found === null)
    return failed(
      shape.unit === 'whistles'
        ? problem('too-many-whistles', 'style', { max: shape.max })
        : notEnough(plan, run.boilMinutes()),
    )
  const { figure, exact } = found
  const simulation = run.result()
  const solved = { ...base, program: [...shape.before, shape.last(figure)] }
  return {
    ok: true,
    value: { unit: shape.unit, figure, exactFigure: exact, simulation, case: solved, fixedProgram: null },
  }
}

/**
 * The plan's style run for a figure that the cook gave. A device that decides for itself, or runs a
 * program of its own, takes no figure: it is run as it was planned.
 */
export function runFigure(plan: ResolvedPlan, pourG: number, planned: Solution, figure: number): Outcome<Solution> {
  const { style } = plan
  if (style.kind === 'rice-cooker') return solveRiceCooker(plan, pourG)
  const ownProgram = style.kind === 'fixed'
  const program = ownProgram ? planned.case.program : programFor(plan, style, figure)
  const run = { ...caseOf(plan, pourG, program), release: planned.case.release }
  const simulation = simulate(run)
  if (simulation.ending !== 'done') return failed(endingProblem(simulation))
  return {
    ok: true,
    value: { ...planned, figure: ownProgram ? planned.figure : Math.round(figure), simulation, case: run },
  }
}

function programFor(plan: ResolvedPlan, style: Parameters<typeof shapeOf>[0], figure: number): Step[] {
  const { before, last, min } = shapeOf(style, plan.burner, plan.cooker.appliance)
  return [...before, last(Math.max(min, Math.round(figure)))]
}

/** How far the food worst off is over its need, as a share of it. */
export function surplusOf(plan: ResolvedPlan, needTimes: number, gets: readonly number[]): number {
  const surpluses = plan.foods.map(({ need, absent }, i) =>
    absent ? Infinity : gets[i]! / (need.boilMinutes * needTimes) - 1,
  )
  return Math.min(...surpluses)
}

/** The measured program, run once or again, that suffices and takes least time; the longest if none does. */
function solveFixed(plan: ResolvedPlan, pourG: number, needTimes: number): Outcome<Solution> {
  const options = (plan.cooker.fixedPrograms ?? []).flatMap((program) =>
    Array.from({ length: MOST_REPEATS }, (_, i) => ({
      program,
      times: i + 1,
      minutes: program.profile.at(-1)!.minute * (i + 1),
    })),
  )
  options.sort((a, b) => a.minutes - b.minutes)
  let last: Outcome<Solution> | null = null
  for (const { program, times, minutes } of options) {
    const steps: Step[] = Array.from({ length: times }, () => ({ profile: program.profile, steamG: program.steamG }))
    // The measured curve ends when the device opens: there is no release of its own.
    const run: SimulationCase = { ...caseOf(plan, pourG, steps), release: null }
    const simulation = simulate(run)
    if (simulation.ending !== 'done') {
      last ??= failed(endingProblem(simulation))
      continue
    }
    const { id, name } = program
    const value: Solution = {
      unit: 'minutes',
      figure: minutes,
      exactFigure: minutes,
      simulation,
      case: run,
      fixedProgram: { id, name, times },
    }
    last = { ok: true, value }
    if (surplusOf(plan, needTimes, simulation.boilMinutes) >= 0) return last
  }
  return last ?? failed(problem('never-ends', 'cooker'))
}

/** A rice cooker decides for itself: the water is what decides, so there is nothing to search here. */
function solveRiceCooker(plan: ResolvedPlan, pourG: number): Outcome<Solution> {
  const run = caseOf(plan, pourG, [{ untilDry: true }, { heatW: 0, minutes: RICE_REST_MINUTES }])
  const simulation = simulate(run)
  if (simulation.ending !== 'done') return failed(endingProblem(simulation))
  const minutes = simulation.heatOffMinute - RICE_REST_MINUTES
  return {
    ok: true,
    value: {
      unit: 'minutes',
      figure: Math.round(minutes),
      exactFigure: minutes,
      simulation,
      case: run,
      fixedProgram: null,
    },
  }
}

function endingProblem({ ending, heatOffMinute }: Simulation) {
  if (ending === 'boiled-dry') return problem('boils-dry', 'contents', { minutes: Math.round(heatOffMinute) })
  return problem(ending === 'never-reaches-pressure' ? ending : 'never-ends', 'style')
}

function notEnough(plan: ResolvedPlan, gets: readonly number[]) {
  const shares = plan.foods.map(({ need, absent }, i) => (absent ? Infinity : gets[i]! / need.boilMinutes))
  return problem('not-enough-program', 'style', { food: plan.foods[shares.indexOf(Math.min(...shares))]!.food.name })
}
