/**
 * The message files by bundle. What a screen says stands in its bundle's file; a screen loads the bundles it needs
 * (app/composables/common/messageBundles.ts). Cautions and foods stand under their ids, so that a file is a list of them.
 */
const EN = {
  everywhere: () => import('./en/everywhere'),
  cautions: () => import('./en/cautions.json').then(({ default: cautions }) => ({ default: { cautions } })),
  runs: () => import('./en/runs.json'),
  day: () => import('./en/day.json'),
  pot: () => import('./en/pot.json'),
  steps: () => import('./en/steps.json'),
  stack: () => import('./en/stack.json'),
  cook: () => import('./en/cook.json'),
  log: () => import('./en/log.json'),
  learnt: () => import('./en/learnt.json'),
  kitchen: () => import('./en/kitchen.json'),
  help: () => import('./en/help.json'),
  keep: () => import('./en/keep.json'),
  larder: () => import('./en/larder.json'),
  dishes: () => import('./en/dishes.json'),
  dishProblems: () => import('./en/dish-problems.json'),
  meals: () => import('./en/meals.json'),
  auth: () => import('./en/auth.json'),
  ingredients: () => import('./en/ingredients.json').then(({ default: ingredients }) => ({ default: { ingredients } })),
}

export type Bundle = keyof typeof EN
export type Locale = 'en'
/** A new locale is its folder, and one line here. */
export const LOADERS: Record<Locale, Record<Bundle, () => Promise<{ default: object }>>> = { en: EN }

type Content<R extends Bundle> = Awaited<ReturnType<(typeof EN)[R]>>['default']
type All = { [R in Bundle]: Content<R> }[Bundle]
type Merged<Union> = (Union extends unknown ? (one: Union) => void : never) extends (all: infer Both) => void
  ? Both
  : never
/** Every message of every bundle, by its place. */
export type Messages = Merged<All>

type Keys<Of, Path extends string = ''> = {
  [Key in keyof Of & string]: Of[Key] extends string ? `${Path}${Key}` : Keys<Of[Key], `${Path}${Key}.`>
}[keyof Of & string]
/** The name of a message, as in `pot.answer.water`. */
export type MessageKey = Keys<Messages>
