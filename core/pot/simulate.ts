import type { Simulation, SimulationCase } from './case'
import { startRun, type RunOptions } from './run'

/**
 * Runs one program on one pot and reports what became of the water and of every food. The case must
 * have been checked (checkCase); an ending other than 'done' says why the run was cut short.
 */
export function simulate(input: SimulationCase, options: RunOptions = {}): Simulation {
  const run = startRun(input, options)
  const completed = input.program.every((step) => run.step(step))
  if (completed && input.release) run.release(input.release)
  return run.result()
}
