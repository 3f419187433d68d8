import { failed, problem, type Outcome } from '../problem'
import type { SimulationCase } from './case.schema'
import { checkCase } from './check'
import { Run, type RunOptions } from './run'
import type { Simulation } from './simulation'

/**
 * Runs one program on one pot and reports what became of the water and of every food. The case must
 * have been checked (checkCase); an ending other than 'done' says why the run was cut short.
 */
export function simulate(input: SimulationCase, options: RunOptions = {}): Simulation {
  const run = new Run(input, options)
  const completed = input.program.every((step) => run.step(step))
  if (completed && input.release) run.release(input.release)
  return run.result()
}

/** Checks a case and runs it; problems say why there is no result: bad figures, or a run cut short. */
export function simulateChecked(input: SimulationCase, options: RunOptions = {}): Outcome<Simulation> {
  const problems = checkCase(input)
  if (problems.length > 0) return failed(...problems)
  const result = simulate(input, options)
  const { ending, heatOffMinute } = result
  if (ending === 'done') return { ok: true, value: result }
  if (ending === 'boiled-dry')
    return failed(problem('boils-dry', 'load.freeWaterKg', { minutes: Math.round(heatOffMinute) }))
  return failed(problem(ending, 'program'))
}
