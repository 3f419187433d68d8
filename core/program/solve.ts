import type { Step } from '../appliance/step.schema'
import { Run } from '../pot/run'
import { simulate } from '../pot/simulate'
import type { SimulationCase } from '../pot/case.schema'
import type { Simulation } from '../pot/simulation'
import { failed, problem, type Outcome } from '../problem'
import { surplusOf, type Closing } from './closing'
import { caseOf } from './closing-case'
import { leastFigure } from './least-figure'
import { endsByItself, RICE_REST_MINUTES, shapeOf } from './styles'

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
 * The smallest program of the style in which every food gets what it needs in this closing, with so much
 * water poured; `needTimes` multiplies every need (for the spread of batches).
 */
export function solve(closing: Closing, pourG: number, needTimes = 1): Outcome<Solution> {
  const { style, burner, cooker, release } = closing.pot
  if (style.kind === 'fixed') return solveFixed(closing, pourG, needTimes)
  if (style.kind === 'rice-cooker') return solveRiceCooker(closing, pourG)

  // The program is run once, a whistle or a minute at a time.
  const shape = shapeOf(style, burner, cooker.appliance)
  const base = caseOf(closing, pourG, [])
  const run = new Run(base)
  const ended = () => failed(endingProblem(run.result()))

  if (!shape.before.every((step) => run.step(step)) || !run.step(shape.last(shape.min))) return ended()

  const found = leastFigure(run, {
    from: shape.min,
    max: shape.max,
    by: shape.by,
    next: (figure) => run.step(shape.next(figure)),
    release: release && (() => run.release(release)),
    surplus: (gets) => surplusOf(closing, gets, needTimes),
  })
  if (found === 'ended') return ended()
  if (found === null)
    return failed(
      shape.unit === 'whistles'
        ? problem('too-many-whistles', 'style', { max: shape.max })
        : notEnough(closing, run.boilMinutes()),
    )
  const { figure, exact } = found
  return {
    ok: true,
    value: {
      unit: shape.unit,
      figure,
      exactFigure: exact,
      simulation: run.result(),
      case: { ...base, program: [...shape.before, shape.last(figure)] },
      fixedProgram: null,
    },
  }
}

/**
 * The style run for a figure that the cook gave. A device that decides for itself, or runs a
 * program of its own, takes no figure: it is run as it was planned.
 */
export function runFigure(closing: Closing, pourG: number, planned: Solution, figure: number): Outcome<Solution> {
  const { style } = closing.pot
  if (style.kind === 'rice-cooker') return solveRiceCooker(closing, pourG)
  const run = { ...caseOf(closing, pourG, programOf(closing, planned, figure)), release: planned.case.release }
  const simulation = simulate(run)
  if (simulation.ending !== 'done') return failed(endingProblem(simulation))
  const taken = style.kind === 'fixed' ? planned.figure : Math.round(figure)
  return { ok: true, value: { ...planned, figure: taken, simulation, case: run } }
}

/** The steps of a closing's program with a figure; those of a solution where the device decides. */
export function programOf({ pot: { style, burner, cooker } }: Closing, solution: Solution, figure: number): Step[] {
  if (endsByItself(style)) return solution.case.program
  const { before, last, min } = shapeOf(style, burner, cooker.appliance)
  return [...before, last(Math.max(min, Math.round(figure)))]
}

/**
 * The measured program, run once or again, that suffices and lands nearest to what the foods need; of those that land
 * alike the quickest. The longest if none suffices.
 */
function solveFixed(closing: Closing, pourG: number, needTimes: number): Outcome<Solution> {
  const options = (closing.pot.cooker.fixedPrograms ?? []).flatMap((program) =>
    Array.from({ length: MOST_REPEATS }, (_, i) => ({
      program,
      times: i + 1,
      minutes: program.profile.at(-1)!.minute * (i + 1),
    })),
  )
  options.sort((a, b) => a.minutes - b.minutes)
  let ended: Outcome<Solution> | null = null
  let longest: Solution | null = null
  let nearest: { solution: Solution; over: number } | null = null
  for (const { program, times, minutes } of options) {
    const { id, name, profile, steamG } = program
    const steps = Array.from({ length: times }, (): Step => ({ kind: 'profile', profile, steamG }))
    // The measured curve ends when the device opens: there is no release of its own.
    const run: SimulationCase = { ...caseOf(closing, pourG, steps), release: null }
    const simulation = simulate(run)
    if (simulation.ending !== 'done') {
      ended ??= failed(endingProblem(simulation))
      continue
    }
    const fixedProgram = { id, name, times }
    longest = { unit: 'minutes', figure: minutes, exactFigure: minutes, simulation, case: run, fixedProgram }
    if (surplusOf(closing, simulation.boilMinutes, needTimes) < 0) continue
    const over = Math.log(mostOver(closing, simulation.boilMinutes))
    if (!nearest || over < nearest.over - ALIKE) nearest = { solution: longest, over }
  }
  const found = nearest?.solution ?? longest
  return found ? { ok: true, value: found } : (ended ?? failed(problem('never-ends', 'cooker')))
}

/** Programs whose doses differ by less than this, as a logarithm, do the same to a food. */
const ALIKE = 0.1

/** How many times its need the food gets that gets most of it. */
function mostOver({ needs }: Closing, gets: readonly number[]): number {
  return Math.max(1e-9, ...needs.map((need, i) => (need > 0 ? gets[i]! / need : 0)))
}

/** A rice cooker decides for itself: the water is what decides, so there is nothing to search here. */
function solveRiceCooker(closing: Closing, pourG: number): Outcome<Solution> {
  const run = caseOf(closing, pourG, [
    { kind: 'dry', untilDry: true },
    { kind: 'minutes', heatW: 0, minutes: RICE_REST_MINUTES },
  ])
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

function notEnough({ pot, needs }: Closing, gets: readonly number[]) {
  const shares = needs.map((need, i) => (need > 0 ? gets[i]! / need : Infinity))
  return problem('not-enough-program', 'style', { food: pot.foods[shares.indexOf(Math.min(...shares))]!.food.id })
}
