/**
 * The computation from the command line. This file is the edge: it reads files and checks what it
 * reads, so it alone in core may look outside (see eslint.config.mjs).
 */
import { readFileSync } from 'node:fs'
import type { z } from 'zod'
import { planRequestSchema, simulationCaseSchema } from '../shared/request'
import { holdsPressure } from './pot/appliance'
import type { Simulation, SimulationCase } from './pot/case'
import { simulateChecked } from './pot/simulate'
import type { Problem } from './problem'
import { plan } from './program/plan'

const USAGE = `Use: npm run --silent core -- COMMAND FILE     (FILE may be - for standard input)

  simulate FILE   runs the program of a simulation case and prints its figures
  plan FILE       plans a request and prints the answer

Prints JSON. On bad input prints { problems: [{ path, message }] } and ends with status 2.`

type LooseProblem = Pick<Problem, 'path' | 'message'> & Partial<Problem>

function main([command, file]: string[]): void {
  if ((command !== 'simulate' && command !== 'plan') || !file) {
    console.error(USAGE)
    process.exitCode = 2
    return
  }
  const input = readJson(file)
  if (command === 'simulate') runSimulate(input)
  else runPlan(input)
}

function runSimulate(input: unknown): void {
  const parsed = check(simulationCaseSchema, input)
  if (!parsed) return
  const result = simulateChecked(parsed)
  if (result.ok) print(figuresOf(parsed, result.value))
  else fail(result.problems)
}

function runPlan(input: unknown): void {
  const parsed = check(planRequestSchema, input)
  if (!parsed) return
  const answer = plan(parsed)
  if (answer.ok) print(answer.value)
  else fail(answer.problems)
}

/** The figures that are of interest for this kind of appliance. */
function figuresOf(input: SimulationCase, result: Simulation): Record<string, unknown> {
  const { boilsAtMinute, minutesToPressure, heatOffMinute, releaseMinutes, whistles, steamLostG, boilMinutes } = result
  if (holdsPressure(input.appliance))
    return { minutesToPressure, heatOffMinute, releaseMinutes, whistles, steamLostG, boilMinutes }
  const figures = { boilsAtMinute, heatOffMinute, steamLostG, boilMinutes }
  return input.grain ? { ...figures, uptake: result.uptake } : figures
}

function readJson(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file === '-' ? 0 : file, 'utf8'))
  } catch (error) {
    fail([{ path: '', message: `${file} cannot be read as JSON: ${(error as Error).message}` }])
    process.exit()
  }
}

function check<T>(schema: z.ZodType<T>, input: unknown): T | null {
  const parsed = schema.safeParse(input)
  if (parsed.success) return parsed.data
  fail(parsed.error.issues.map(({ path, message }) => ({ path: path.join('.'), message })))
  return null
}

function print(value: unknown): void {
  process.stdout.write(JSON.stringify(value, null, 2) + '\n')
}

function fail(problems: LooseProblem[]): void {
  print({ problems })
  process.exitCode = 2
}

main(process.argv.slice(2))
