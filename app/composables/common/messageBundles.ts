import type { I18n } from 'vue-i18n'
import { messagesOf, type Bundle } from '~~/locales/bundles'
import type { Locale } from '~~/locales/languages'

/** Messages that every screen needs. */
export const EVERYWHERE: readonly Bundle[] = ['everywhere']
/** Those that tell of a pot that goes on. */
export const STOVE: readonly Bundle[] = ['cook', 'runs', 'cautions', 'steps']

/** Those that tell of a dinner of several dishes. */
export const MEAL: readonly Bundle[] = [
  'meals',
  'steps',
  'dishes',
  'dishProblems',
  'ingredients',
  'pot',
  'cautions',
  'cook',
]

/** The further files of each place, by the first part of its address. */
const OF_PLACE: Record<string, readonly Bundle[]> = {
  '': ['day', 'keep'],
  pot: ['pot', 'steps', 'cautions'],
  cook: ['pot', 'log', 'keep', ...STOVE],
  practice: ['pot', 'log', ...STOVE],
  log: ['log', 'learnt', 'larder', 'keep', 'pot', ...STOVE],
  kitchen: ['kitchen', 'pot'],
  larder: ['larder', 'pot', 'cautions'],
  join: ['auth'],
  guest: ['auth'],
  dishes: ['dishes', 'keep', 'steps', 'day', 'pot', 'cautions', 'dishProblems', 'ingredients'],
}
export function bundlesOf(path: string): readonly Bundle[] {
  const [, place = '', within, then] = path.split('/')
  const more: Record<string, readonly Bundle[]> = { 'pot/tins': ['stack'], 'kitchen/people': ['auth'] }
  return [
    ...(OF_PLACE[place] ?? []),
    ...(more[`${place}/${within}`] ?? []),
    ...(then === 'cook' ? (['cook'] as const) : []),
  ]
}

const loaded = new Map<Locale, Set<Bundle>>()
const loadedOf = (locale: Locale) => {
  const of = loaded.get(locale) ?? new Set<Bundle>()
  loaded.set(locale, of)
  return of
}

/** Loads message files of a language into the library, each once. */
export async function loadBundles({ global }: I18n, locale: Locale, bundles: readonly Bundle[]): Promise<void> {
  const have = loadedOf(locale)
  const missing = bundles.filter((bundle) => !have.has(bundle))
  const files = await Promise.all(missing.map((bundle) => messagesOf(locale, bundle)))
  files.forEach((messages, i) => {
    global.mergeLocaleMessage(locale, messages)
    have.add(missing[i]!)
  })
}

/** What was loaded in one language until now, so that another has the same before it is shown. */
export const bundlesLoaded = (locale: Locale): Bundle[] => [...loadedOf(locale)]
