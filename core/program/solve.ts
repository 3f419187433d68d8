import type { Simulation, SimulationCase, Step } from '../pot/case'
import { startRun } from '../pot/run'
import { simulate } from '../pot/simulate'
import { failed, problem, type Outcome } from '../problem'
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

/**
 * The release is worked out anew once a food is estimated to be this close to its need. Wide, since
 * the middle of a thick piece still lags at the first whistle and takes more from a later release.
 */
const CLOSE = 0.6
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

  // The program is run once, a whistle or a minute at a time. After each the pot could be turned off:
  // what the release would add is known from the last time it was worked out, and is worked out again
  // from that very moment when the answer is near.
  const shape = shapeOf(style, plan.burner, plan.cooker.appliance)
  const base = caseOf(plan, pourG, [])
  const run = startRun(base)
  const ended = () => failed(endingProblem(run.result()))

  if (!shape.before.every((step) => run.step(step)) || !run.step(shape.last(shape.min))) return ended()

  let previousSurplus: number | null = null
  let releaseAdds: number[] | null = null
  for (let figure = shape.min; ; figure += shape.by) {
    const moment = run.save()
    const soFar = run.boilMinutes()
    let surplus: number = releaseAdds
      ? surplusOf(
          plan,
          needTimes,
          soFar.map((got, i) => got + releaseAdds![i]!),
        )
      : -CLOSE
    if (surplus >= -CLOSE) {
      if (plan.release && !run.release(plan.release)) return ended()
      const afterwards = run.boilMinutes()
      releaseAdds = afterwards.map((got, i) => got - soFar[i]!)
      surplus = surplusOf(plan, needTimes, afterwards)
    }
    if (surplus >= 0) {
      const exactFigure =
        previousSurplus === null ? figure : figure - (shape.by * surplus) / (surplus - previousSurplus)
      const program = [...shape.before, shape.last(figure)]
      const simulation = run.result()
      return {
        ok: true,
        value: { unit: shape.unit, figure, exactFigure, simulation, case: { ...base, program }, fixedProgram: null },
      }
    }
    if (figure >= shape.max)
      return failed(
        shape.unit === 'whistles' ? problem('too-many-whistles', 'style', { max: shape.max }) : notEnough(plan, soFar),
      )
    previousSurplus = surplus
    run.restore(moment)
    if (!run.step(shape.next(figure + shape.by))) return ended()
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
  return Math.min(...plan.foods.map(({ need }, i) => gets[i]! / (need.boilMinutes * needTimes) - 1))
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
  const shares = plan.foods.map(({ need }, i) => gets[i]! / need.boilMinutes)
  return problem('not-enough-program', 'style', { food: plan.foods[shares.indexOf(Math.min(...shares))]!.food.name })
}
