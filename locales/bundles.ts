import type { Locale } from './languages'

/**
 * The message files by bundle: what a screen says stands in its bundle's files, and a screen loads the bundles it needs
 * (app/composables/common/messageBundles.ts).
 */
const FILES = {
  everywhere: ['shell', 'problems', 'catalogue'],
  cautions: ['cautions'],
  runs: ['runs'],
  day: ['day'],
  pot: ['pot'],
  steps: ['steps'],
  stack: ['stack'],
  cook: ['cook'],
  log: ['log'],
  learnt: ['learnt'],
  kitchen: ['kitchen'],
  help: ['help'],
  keep: ['keep'],
  larder: ['larder'],
  dishes: ['dishes'],
  dishProblems: ['dish-problems'],
  meals: ['meals'],
  auth: ['auth'],
  ingredients: ['ingredients'],
} as const satisfies Record<string, readonly string[]>
export type Bundle = keyof typeof FILES
export const BUNDLES = Object.keys(FILES) as Bundle[]

/** Cautions and foods stand under their ids, so that their files are lists of them; on screens they have their place. */
const UNDER_ITS_NAME: ReadonlySet<string> = new Set(['cautions', 'catalogue', 'ingredients'])

/** The messages of a bundle in one language. */
export async function messagesOf(locale: Locale, bundle: Bundle): Promise<object> {
  const files = await Promise.all(
    FILES[bundle].map(async (file) => {
      const { default: messages } = (await import(`./${locale}/${file}.json`)) as { default: object }
      return UNDER_ITS_NAME.has(file) ? { [file]: messages } : messages
    }),
  )
  return Object.assign({}, ...files) as object
}

/** Every message by its place, as English has it; every language has the same (locales.test.ts). */
export type Messages = typeof import('./en/shell.json') &
  typeof import('./en/problems.json') &
  typeof import('./en/runs.json') &
  typeof import('./en/day.json') &
  typeof import('./en/pot.json') &
  typeof import('./en/steps.json') &
  typeof import('./en/stack.json') &
  typeof import('./en/cook.json') &
  typeof import('./en/log.json') &
  typeof import('./en/learnt.json') &
  typeof import('./en/kitchen.json') &
  typeof import('./en/help.json') &
  typeof import('./en/keep.json') &
  typeof import('./en/larder.json') &
  typeof import('./en/dishes.json') &
  typeof import('./en/dish-problems.json') &
  typeof import('./en/meals.json') &
  typeof import('./en/auth.json') & {
    cautions: typeof import('./en/cautions.json')
    catalogue: typeof import('./en/catalogue.json')
    ingredients: typeof import('./en/ingredients.json')
  }

type Keys<Of, Path extends string = ''> = {
  [Key in keyof Of & string]: Of[Key] extends string ? `${Path}${Key}` : Keys<Of[Key], `${Path}${Key}.`>
}[keyof Of & string]
/** The name of a message, as in `pot.answer.water`. */
export type MessageKey = Exclude<Keys<Messages>, `default.${string}`>
