import { USUAL_LOCALE, type Locale } from './languages'
import type { Reading } from './names'

const messages = async (locale: Locale, file: string) =>
  ((await import(`./${locale}/${file}.json`)) as { default: unknown }).default

/** What a language has for reading recipes and lines; null for English, which is always read. */
export async function readingOf(locale: Locale): Promise<Reading | null> {
  if (locale === USUAL_LOCALE) return null
  const [catalogue, ingredients, words] = await Promise.all([
    messages(locale, 'catalogue'),
    messages(locale, 'ingredients'),
    messages(locale, 'recipe-words'),
  ])
  return { catalogue, ingredients, words } as Reading
}
