/** How a language writes a name that does not begin a sentence. */
const lower = (name: string) => name.toLowerCase()
const asItIs = (name: string) => name
/** Nouns keep their capital, what stands before them as an adjective does not: “rote Linsen”. */
const lowerAdjective = (name: string) =>
  name.replace(
    /^\p{Lu}\p{Ll}+(?:e|er|es|en)(?=(?: (?!oder|ohne|d(?:er|en|es) )\p{Ll}+(?:e|er|es|en))* \p{Lu})/u,
    (word) => word.toLowerCase(),
  )

/**
 * A language is its folder, and one line here: its own name, its locale for days and lists, how it writes decimals, and
 * how a name within a sentence.
 */
export const LANGUAGES = {
  en: { name: 'English', tag: 'en-GB', decimal: 'point', inSentence: lower },
  de: { name: 'Deutsch', tag: 'de', decimal: 'comma', inSentence: lowerAdjective },
  es: { name: 'Español', tag: 'es', decimal: 'comma', inSentence: lower },
  hi: { name: 'हिन्दी', tag: 'hi', decimal: 'point', inSentence: asItIs },
} as const

export type Locale = keyof typeof LANGUAGES
export const LOCALES = Object.keys(LANGUAGES) as [Locale, ...Locale[]]
/** Where nothing is known of whoever reads. */
export const USUAL_LOCALE: Locale = 'en'

/** The first of the languages that a reader asks for which there is: by “de-AT” German is meant. */
export function localeAmong(asked: readonly string[]): Locale {
  for (const one of asked) {
    const found = LOCALES.find((locale) => locale === one.split('-')[0]!.toLowerCase())
    if (found) return found
  }
  return USUAL_LOCALE
}
