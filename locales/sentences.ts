import {
  compile,
  createCoreContext,
  registerMessageCompiler,
  registerMessageResolver,
  resolveValue,
  translate,
} from '@intlify/core-base'
import type { Instruction, Thing } from '../core/guide/instruction'
import type { Impossible } from '../core/meal/impossible'
import type { Caution } from '../core/safety/rules'
import * as de from './de/said'
import * as en from './en/said'
import * as es from './es/said'
import * as hi from './hi/said'
import { LANGUAGES, USUAL_LOCALE, type Locale } from './languages'
import { stepWords } from './step-words'

// What the command line and the server say, in the words of the message files and by the same library as the screens.

registerMessageCompiler(compile)
registerMessageResolver(resolveValue)
/** What each language says outside of the screens. */
const SAID: Record<Locale, object> = { en, de, es, hi }
const context = createCoreContext({ locale: USUAL_LOCALE, fallbackLocale: false, messages: SAID as never })

type Params = Readonly<Record<string, string | number>>
export type SentenceCode = keyof typeof en.problems

type Translate = (key: string, params: Params, options: { locale: Locale; plural?: number }) => string
// The library infers the types of all messages at once, which is beyond the compiler.
const translated: Translate = (...asked) => String((translate as (...of: unknown[]) => unknown)(context, ...asked))
const say = (locale: Locale, key: string, params: Params = {}) => translated(key, named(locale, params), { locale })
const sayMany = (locale: Locale, key: string, params: Params, plural: number) =>
  translated(key, params, { locale, plural })

/** Parameters that are weights, temperatures or lengths; the screens tell them as their household likes. */
const UNITS = { grams: 'g', minimum: 'g', g: 'g', left: 'g', water: 'g', temp: '°C', least: '°C', by: 'mm' }

/** A food of the catalogue is told by its name, a figure with its unit. */
function named(locale: Locale, params: Params): Params {
  const { food } = params
  const units = Object.entries(UNITS).flatMap(([name, unit]) =>
    params[name] === undefined ? [] : [[name, `${params[name]} ${unit}`]],
  )
  const name =
    typeof food === 'string' && food in en.catalogue
      ? (resolveValue(SAID[locale], `catalogue.${food}.name`) as string)
      : food
  return { ...params, ...Object.fromEntries(units), ...(name === undefined ? {} : { food: name }) }
}

/** True where a code is a problem’s, and not an event’s that a run refuses. */
export const isProblem = (code: string): code is SentenceCode => code in en.problems

/** The sentence of a problem, with its figures. */
export function sentenceOf(
  { code, params }: { code: SentenceCode; params?: Params },
  locale: Locale = USUAL_LOCALE,
): string {
  return say(locale, `problems.${code}`, params)
}

/** Problems as they are published: each with its sentence. */
export function withSentences<P extends { code: SentenceCode; params?: Params }>(
  problems: readonly P[],
  locale: Locale = USUAL_LOCALE,
) {
  return problems.map((problem) => ({ ...problem, message: sentenceOf(problem, locale) }))
}

export type RunRefusal = keyof typeof en.runs
/** Why an event of a run cannot be. */
export function refusalSentence(code: RunRefusal, locale: Locale = USUAL_LOCALE): string {
  return say(locale, `runs.${code}`)
}

/** The sentence of a caution and the reason behind it. */
export function cautionText(
  { id, params }: Pick<Caution, 'id' | 'params'>,
  locale: Locale = USUAL_LOCALE,
): { sentence: string; why: string } {
  return { sentence: say(locale, `cautions.${id}.sentence`, params), why: say(locale, `cautions.${id}.why`, params) }
}

/** What excludes each other in a meal that cannot be, and what would repair it, in one sentence. */
export function impossibleSentence({ wishes, repairs }: Impossible, locale: Locale = USUAL_LOCALE): string {
  const told = wishes.map(({ kind, ...of }) => say(locale, `meals.wish.${kind}`, of))
  const helps = repairs.map(({ kind, ...by }) => {
    const n = 'hands' in by ? by.hands : 'burners' in by ? by.burners : 0
    return say(locale, `meals.repair.${kind}`, { ...(by as Params), n })
  })
  const params = {
    wishes: told.join(', '),
    repairs: helps.length > 0 ? helps.join('; ') : say(locale, 'meals.repair.none'),
  }
  return sentenceOf({ code: 'meal-impossible', params }, locale)
}

/** What a calendar says of a step of a dinner. */
export function mealSentence(
  kind: keyof typeof en.meals.calendarOf,
  params: { dish: string; pot: string },
  locale: Locale = USUAL_LOCALE,
): string {
  return say(locale, `meals.calendarOf.${kind}`, params)
}

/** A kitchen as far as what is done in it is told. */
interface NamedKitchen {
  cookers: readonly { id: string; name: string }[]
  foods: readonly { id: string; name: string }[]
}

/** What is done, in whole sentences; weights in g, as whoever reads them elsewhere understands them. */
export function stepSentences(
  instructions: readonly Instruction[],
  { cookers, foods }: NamedKitchen,
  locale: Locale = USUAL_LOCALE,
): string[] {
  const { tag, inSentence } = LANGUAGES[locale]
  const figure = new Intl.NumberFormat(tag, { maximumFractionDigits: 1 })
  const whole = new Intl.NumberFormat(tag, { maximumFractionDigits: 0 })
  const list = new Intl.ListFormat(tag, { type: 'conjunction' })
  function nameOf({ water, keptFrom, fat, liquid, name, food, what }: Thing): string {
    if (water) return say(locale, 'steps.water')
    if (keptFrom !== undefined) return say(locale, fat ? 'steps.fat' : 'steps.stock')
    if (liquid) return inSentence(say(locale, `liquids.${liquid}`))
    const id = food ?? what ?? ''
    const own = name ?? foods.find((one) => one.id === id)?.name
    return inSentence(own ?? say(locale, id in en.ingredients ? `ingredients.${id}.name` : `catalogue.${id}.name`))
  }
  const { sentence } = stepWords({
    say: (key, params = {}, plural) =>
      plural === undefined ? say(locale, `steps.${key}`, params) : sayMany(locale, `steps.${key}`, params, plural),
    weight: (g) => say(locale, 'steps.grams', { n: (g < 3 ? figure : whole).format(g) }),
    number: (n) => whole.format(n),
    duration: (minutes) => durationText(locale, Math.round(minutes)),
    list: (parts) => list.format(parts),
    temp: (celsius) => `${whole.format(celsius)} °C`,
    measured: () => '',
    nameOf,
    cookerName: (id) => cookers.find((one) => one.id === id)?.name ?? say(locale, 'steps.place.pot'),
    levelName: (level) => say(locale, `levels.${level}`),
  })
  return instructions.map(sentence)
}

function durationText(locale: Locale, minutes: number): string {
  if (minutes < 60) return say(locale, 'units.minuteCount', { n: minutes })
  const [h, m] = [Math.floor(minutes / 60), minutes % 60]
  return m === 0
    ? say(locale, 'units.hourCount', { n: h })
    : say(locale, 'units.hourMinute', { h, m: String(m).padStart(2, '0') })
}
