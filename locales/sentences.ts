import {
  compile,
  createCoreContext,
  registerMessageCompiler,
  registerMessageResolver,
  resolveValue,
  translate,
} from '@intlify/core-base'
import type { Impossible } from '../core/meal/impossible'
import type { Caution } from '../core/safety/rules'
import CATALOGUE from './en/catalogue.json'
import CAUTIONS from './en/cautions.json'
import DISH_PROBLEMS from './en/dish-problems.json'
import MEALS from './en/meals.json'
import PROBLEMS from './en/problems.json'
import RUNS from './en/runs.json'
import INGREDIENTS from './en/ingredients.json'
import SHELL from './en/shell.json'
import STEPS from './en/steps.json'
import type { Instruction, Thing } from '../core/guide/instruction'
import { stepWords } from './step-words'

// What the command line and the server say, in the words of the message files and by the same library as the screens.

registerMessageCompiler(compile)
registerMessageResolver(resolveValue)
const context = createCoreContext({
  locale: 'en',
  messages: {
    en: {
      catalogue: CATALOGUE,
      cautions: CAUTIONS,
      problems: { ...PROBLEMS.problems, ...DISH_PROBLEMS.problems, ...MEALS.problems },
      meals: MEALS.meals,
      ingredients: INGREDIENTS,
      steps: STEPS.steps,
      liquids: SHELL.liquids,
      levels: SHELL.levels,
      units: SHELL.units,
      ...RUNS,
    },
  },
})

type Params = Readonly<Record<string, string | number>>
export type SentenceCode =
  keyof typeof PROBLEMS.problems | keyof typeof DISH_PROBLEMS.problems | keyof typeof MEALS.problems

const say = (key: string, params: Params = {}) => String(translate(context, key, named(params)))
const sayMany = (key: string, params: Params, plural: number) => String(translate(context, key, params, plural))

/** Parameters that are weights, temperatures or lengths; the screens tell them as their household likes. */
const UNITS = { grams: 'g', minimum: 'g', g: 'g', left: 'g', water: 'g', temp: '°C', least: '°C', by: 'mm' }

/** A food of the catalogue is told by its name, a figure with its unit. */
function named(params: Params): Params {
  const { food } = params
  const units = Object.entries(UNITS).flatMap(([name, unit]) =>
    params[name] === undefined ? [] : [[name, `${params[name]} ${unit}`]],
  )
  const name = typeof food === 'string' && food in CATALOGUE ? CATALOGUE[food as keyof typeof CATALOGUE].name : food
  return { ...params, ...Object.fromEntries(units), ...(name === undefined ? {} : { food: name }) }
}

/** The sentence of a problem, with its figures. */
export function sentenceOf({ code, params }: { code: SentenceCode; params?: Params }): string {
  return say(`problems.${code}`, params)
}

/** Problems as they are published: each with its sentence. */
export function withSentences<P extends { code: SentenceCode; params?: Params }>(problems: readonly P[]) {
  return problems.map((problem) => ({ ...problem, message: sentenceOf(problem) }))
}

/** Why an event of a run cannot be. */
export function refusalSentence(code: keyof typeof RUNS.runs): string {
  return say(`runs.${code}`)
}

/** The sentence of a caution and the reason behind it. */
export function cautionText({ id, params }: Pick<Caution, 'id' | 'params'>): { sentence: string; why: string } {
  return { sentence: say(`cautions.${id}.sentence`, params), why: say(`cautions.${id}.why`, params) }
}

/** What excludes each other in a meal that cannot be, and what would repair it, in one sentence. */
export function impossibleSentence({ wishes, repairs }: Impossible): string {
  const told = wishes.map(({ kind, ...of }) => say(`meals.wish.${kind}`, of))
  const helps = repairs.map(({ kind, ...by }) => {
    const n = 'hands' in by ? by.hands : 'burners' in by ? by.burners : 0
    return say(`meals.repair.${kind}`, { ...(by as Params), n })
  })
  const params = {
    wishes: told.join(', '),
    repairs: helps.length > 0 ? helps.join('; ') : say('meals.repair.none'),
  }
  return sentenceOf({ code: 'meal-impossible', params })
}

/** What a calendar says of a step of a dinner. */
export function mealSentence(kind: keyof typeof MEALS.meals.calendarOf, params: { dish: string; pot: string }): string {
  return say(`meals.calendarOf.${kind}`, params)
}

/** A kitchen as far as what is done in it is told. */
interface NamedKitchen {
  cookers: readonly { id: string; name: string }[]
  foods: readonly { id: string; name: string }[]
}

/** What is done, in whole sentences; weights in g, as whoever reads them elsewhere understands them. */
export function stepSentences(instructions: readonly Instruction[], { cookers, foods }: NamedKitchen): string[] {
  const figure = new Intl.NumberFormat('en', { maximumFractionDigits: 1 })
  const whole = new Intl.NumberFormat('en', { maximumFractionDigits: 0 })
  const list = new Intl.ListFormat('en', { type: 'conjunction' })
  function nameOf({ water, keptFrom, fat, liquid, name, food, what }: Thing): string {
    if (water) return say('steps.water')
    if (keptFrom !== undefined) return say(fat ? 'steps.fat' : 'steps.stock')
    if (liquid) return say(`liquids.${liquid}`).toLowerCase()
    const id = food ?? what ?? ''
    const own = name ?? foods.find((one) => one.id === id)?.name
    return (own ?? say(id in INGREDIENTS ? `ingredients.${id}.name` : `catalogue.${id}.name`)).toLowerCase()
  }
  const { sentence } = stepWords({
    say: (key, params = {}, plural) =>
      plural === undefined ? say(`steps.${key}`, params) : sayMany(`steps.${key}`, params, plural),
    weight: (g) => say('steps.grams', { n: (g < 3 ? figure : whole).format(g) }),
    number: (n) => whole.format(n),
    duration: (minutes) => durationText(Math.round(minutes)),
    list: (parts) => list.format(parts),
    temp: (celsius) => `${whole.format(celsius)} °C`,
    measured: () => '',
    nameOf,
    cookerName: (id) => cookers.find((one) => one.id === id)?.name ?? say('steps.place.pot'),
    levelName: (level) => say(`levels.${level}`),
  })
  return instructions.map(sentence)
}

function durationText(minutes: number): string {
  if (minutes < 60) return say('units.minuteCount', { n: minutes })
  const [h, m] = [Math.floor(minutes / 60), minutes % 60]
  return m === 0 ? say('units.hourCount', { n: h }) : say('units.hourMinute', { h, m: String(m).padStart(2, '0') })
}
