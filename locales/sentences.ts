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
      ...RUNS,
    },
  },
})

type Params = Readonly<Record<string, string | number>>
export type SentenceCode =
  keyof typeof PROBLEMS.problems | keyof typeof DISH_PROBLEMS.problems | keyof typeof MEALS.problems

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

/** What excludes each other in a meal that cannot be, and what would mend it, in one sentence. */
export function impossibleSentence({ wishes, mends }: Impossible): string {
  const told = wishes.map(({ kind, ...of }) => say(`meals.wish.${kind}`, of))
  const helps = mends.map(({ kind, ...by }) => {
    const n = 'hands' in by ? by.hands : 'burners' in by ? by.burners : 0
    return say(`meals.mend.${kind}`, { ...(by as Params), n })
  })
  const params = {
    wishes: told.join(', '),
    mends: helps.length > 0 ? helps.join('; ') : say('meals.mend.none'),
  }
  return sentenceOf({ code: 'meal-impossible', params })
}

/** What a calendar says of a step of a dinner. */
export function mealSentence(kind: keyof typeof MEALS.meals.calendarOf, params: { dish: string; pot: string }): string {
  return say(`meals.calendarOf.${kind}`, params)
}
