/** The computation from the command line: it reads files, checks what it reads, and says what is wrong in words. */
import { readFileSync } from 'node:fs'
import { z } from 'zod'
import { parseArgs } from 'node:util'
import { LOCALES, USUAL_LOCALE, type Locale } from '../locales/languages'
import { namesOf } from '../locales/names'
import { readingOf } from '../locales/reading'
import { impossibleSentence, sentenceOf, withSentences, type SentenceCode } from '../locales/sentences'
import { problemsOf } from '../shared/problems'
import { holdsPressure } from '../core/appliance/appliance'
import { answerDish } from '../core/dish/dish'
import { dishRequestSchema, dishSchema } from '../core/dish/dish.schema'
import { USUAL_POT } from '../core/dish/pot-stage'
import { hearSound } from '../core/ear/hear'
import { instructionsOfDish } from '../core/guide/dish'
import { instructionsOfPlan } from '../core/guide/plan'
import { publishedAnswer, publishedDish, publishedInstructions } from '../core/formats/plan'
import { readRecipe } from '../core/formats/read-recipe'
import { readWav, type Sound } from '../core/formats/wav'
import { dishOfRecipe, type PotsToTake } from '../core/formats/recipe-dish'
import { learnFromFile } from '../core/learn/log-file'
import { logFileSchema } from '../core/learn/log-file.schema'
import { planMeal } from '../core/meal/meal'
import { mealRequestSchema } from '../core/meal/meal.schema'
import { simulationCaseSchema, type SimulationCase } from '../core/pot/case.schema'
import { simulateChecked } from '../core/pot/simulate'
import type { Simulation } from '../core/pot/simulation'
import { withFlame } from '../core/program/count'
import { plan } from '../core/program/plan'
import { planRequestSchema } from '../core/program/request.schema'

/** What is read as JSON, by the command that reads it. */
const SCHEMAS = {
  simulate: simulationCaseSchema,
  plan: planRequestSchema,
  dish: dishRequestSchema,
  meal: mealRequestSchema,
  learn: logFileSchema,
}

const USAGE = `Use: npm run --silent core -- COMMAND FILE     (FILE may be - for standard input)

  simulate FILE   runs the program of a simulation case and prints its figures
  plan FILE       plans a request and prints the answer
  dish FILE       works a dish out and prints every stage of it, its ledgers and its clock
  steps FILE      prints everything that is done of a plan request or a dish request, in order
  meal FILE       plans a meal: when each task begins, what is proved of the plan, or why there is none
  learn FILE      learns from a log: each figure as assumed and as it is now, with the runs that spoke of it
  ear FILE [EXAMPLE]  listens to a WAV file and prints the whistles heard, after one example of them if there is one
  recipe FILE     reads a recipe (JSON-LD, an HTML page that holds it, or plain text) and prints it as a dish
  schema COMMAND  prints the JSON Schema of what simulate, plan, dish, meal or learn reads

--language CODE   what a recipe is read and a problem told in: ${LOCALES.join(', ')}; ${USUAL_LOCALE} without it

Prints JSON. On bad input prints { problems: [{ path, message }] } and ends with status 2.`

interface Said {
  path: string
  code: SentenceCode
  params?: Record<string, string | number>
}

/** What is read and told in. */
let locale: Locale = USUAL_LOCALE

function main(given: string[]): void {
  const {
    values: { language },
    positionals: [command, file, other],
  } = parseArgs({ args: given, strict: false, allowPositionals: true, options: { language: { type: 'string' } } })
  const known = LOCALES.find((one) => one === (language ?? USUAL_LOCALE))
  const run =
    command !== undefined && Object.hasOwn(COMMANDS, command) ? COMMANDS[command as keyof typeof COMMANDS] : null
  if (!run || !file || !known) {
    console.error(USAGE)
    process.exitCode = 2
    return
  }
  locale = known
  void run(file, other)
}

const COMMANDS = {
  simulate: (file: string) => runSimulate(readJson(file)),
  plan: (file: string) => runPlan(readJson(file)),
  dish: (file: string) => runDish(readJson(file)),
  steps: (file: string) => runSteps(readJson(file)),
  meal: (file: string) => runMeal(readJson(file)),
  learn: (file: string) => runLearn(readJson(file)),
  recipe: (file: string) => runRecipe(readText(file)),
  ear: (file: string, example?: string) => runEar(file, example),
  schema: (command: string) => runSchema(command),
}

function runSchema(command: string): void {
  if (Object.hasOwn(SCHEMAS, command)) return print(z.toJSONSchema(SCHEMAS[command as keyof typeof SCHEMAS]))
  console.error(USAGE)
  process.exitCode = 2
}

function runSimulate(input: unknown): void {
  const parsed = check(simulationCaseSchema, input)
  if (!parsed) return
  const result = simulateChecked(parsed)
  if (result.ok) print(resultOf(parsed, result.value))
  else fail(result.problems)
}

function runPlan(input: unknown): void {
  const parsed = check(planRequestSchema, input)
  if (!parsed) return
  const answer = plan(parsed)
  if (answer.ok) print(publishedAnswer(answer.value))
  else fail(answer.problems)
}

function runDish(input: unknown): void {
  const parsed = check(dishRequestSchema, input)
  if (!parsed) return
  const answer = answerDish(parsed)
  if (answer.ok) print(publishedDish(answer.value))
  else fail(answer.problems)
}

/** A request with a dish in it is a dish's. */
function runSteps(input: unknown): void {
  if (typeof input === 'object' && input !== null && 'dish' in input) {
    const parsed = check(dishRequestSchema, input)
    if (!parsed) return
    const answer = answerDish(parsed)
    if (!answer.ok) return fail(answer.problems)
    const unplanned = answer.value.stages.flatMap(({ problems }) => problems)
    if (unplanned.length > 0) return fail(unplanned)
    return print({ instructions: publishedInstructions(instructionsOfDish(parsed, answer.value)) })
  }
  const parsed = check(planRequestSchema, input)
  if (!parsed) return
  const answer = plan(parsed)
  if (answer.ok) print({ instructions: publishedInstructions(instructionsOfPlan(withFlame(parsed), answer.value)) })
  else fail(answer.problems)
}

/** When the best plan so far is printed, proved or not. */
const MEAL_WITHIN_MS = 1800

function runMeal(input: unknown): void {
  const parsed = check(mealRequestSchema, input)
  if (!parsed) return
  const answer = planMeal(parsed, { spent: () => performance.now(), most: MEAL_WITHIN_MS })
  if (!answer.ok) return fail(answer.problems)
  if (answer.value.possible) return print(answer.value.plan)
  const { wishes, repairs } = answer.value
  const said = { path: 'tasks', code: 'meal-impossible', message: impossibleSentence(answer.value, locale) }
  print({ problems: [said], wishes, repairs })
  process.exitCode = 2
}

function runLearn(input: unknown): void {
  const parsed = check(logFileSchema, input)
  if (!parsed) return
  const answer = learnFromFile(parsed)
  if (answer.ok) print(answer.value)
  else fail(answer.problems)
}

/** A kitchen that has one of every kind. */
const POTS: PotsToTake = {
  usual: USUAL_POT,
  kinds: {
    whistling: USUAL_POT,
    electric: { ...USUAL_POT, cookerId: 'electric-6l', style: 'electric' },
    'rice-cooker': { ...USUAL_POT, cookerId: 'rice-1l', style: 'rice-cooker' },
    slow: { ...USUAL_POT, cookerId: 'slow-6l', style: 'slow' },
  },
}

async function runRecipe(text: string): Promise<void> {
  const recipe = readRecipe(text)
  if (!recipe.ok) return fail(recipe.problems)
  const own = dishSchema.safeParse(recipe.value.own)
  print(
    own.success
      ? { dish: own.data, lines: [], steps: [], written: [], missing: [], leftOut: [] }
      : dishOfRecipe(recipe.value, namesOf([], await readingOf(locale)), POTS),
  )
}

function runEar(file: string, exampleFile?: string): void {
  const sound = readSound(file, 'file')
  const example = exampleFile === undefined ? null : readSound(exampleFile, 'example')
  if (sound && (example || exampleFile === undefined)) print(hearSound(sound, example))
}

function readSound(file: string, path: string): Sound | null {
  let bytes: Uint8Array
  try {
    bytes = readFileSync(file === '-' ? 0 : file)
  } catch (error) {
    fail([{ path, code: 'file-unreadable', params: { file, reason: (error as Error).message } }])
    return null
  }
  const sound = readWav(bytes)
  if (sound.ok) return sound.value
  fail(sound.problems.map((one) => ({ ...one, path })))
  return null
}

/** The figures that are of interest for this kind of appliance. */
function resultOf(input: SimulationCase, result: Simulation): Record<string, unknown> {
  const { boilsAtMinute, minutesToPressure, heatOffMinute, releaseMinutes, whistles, steamLostG, boilMinutes } = result
  if (holdsPressure(input.appliance))
    return { minutesToPressure, heatOffMinute, releaseMinutes, whistles, steamLostG, boilMinutes }
  const figures = { boilsAtMinute, heatOffMinute, steamLostG, boilMinutes }
  return input.grain ? { ...figures, uptake: result.uptake } : figures
}

function readText(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (error) {
    return unreadable(file, error)
  }
}

function readJson(file: string): unknown {
  const text = readText(file)
  try {
    return JSON.parse(text)
  } catch (error) {
    return unreadable(file, error)
  }
}

function unreadable(file: string, error: unknown): never {
  const params = { file, reason: (error as Error).message }
  print({
    problems: [{ path: '', code: 'unreadable-json', message: sentenceOf({ code: 'unreadable-json', params }, locale) }],
  })
  process.exit(2)
}

function check<T>(schema: z.ZodType<T>, input: unknown): T | null {
  const parsed = schema.safeParse(input)
  if (parsed.success) return parsed.data
  fail(problemsOf(parsed.error))
  return null
}

function print(value: unknown): void {
  process.stdout.write(JSON.stringify(value, null, 2) + '\n')
}

function fail(problems: readonly Said[]): void {
  print({ problems: withSentences(problems, locale) })
  process.exitCode = 2
}

main(process.argv.slice(2))
