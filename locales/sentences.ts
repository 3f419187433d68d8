import {
  compile,
  createCoreContext,
  registerMessageCompiler,
  registerMessageResolver,
  resolveValue,
  translate,
} from '@intlify/core-base'
import type { Caution } from '../core/safety/rules'
import CATALOGUE from './en/catalogue.json'
import CAUTIONS from './en/cautions.json'
import DISH_PROBLEMS from './en/dish-problems.json'
import PROBLEMS from './en/problems.json'
import RUNS from './en/runs.json'

// What the command line and the server say, in the words of the message files and by the same library as the screens.

registerMessageCompiler(compile)
registerMessageResolver(resolveValue)
const context = createCoreContext({
  locale: 'en',
  messages: {
    en: {
      catalogue: CATALOGUE,
      cautions: CAUTIONS,
      problems: { ...PROBLEMS.problems, ...DISH_PROBLEMS.problems },
      ...RUNS,
    },
  },
})

type Params = Readonly<Record<string, string | number>>
export type SentenceCode = keyof typeof PROBLEMS.problems | keyof typeof DISH_PROBLEMS.problems

const say = (key: string, params: Params = {}) => String(translate(context, key, named(params)))

/** Parameters that are weights or temperatures; the screens tell them as their household likes. */
const UNITS = { grams: 'g', minimum: 'g', g: 'g', left: 'g', water: 'g', temp: '°C', least: '°C' }

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
