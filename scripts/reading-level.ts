/**
 * How hard the messages are to read, by bundle: words a sentence.
 *
 *   npx tsx scripts/reading-level.ts
 */
import { readdirSync, readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

/** What is read with wet hands: no sentence of it may be longer. */
export const AT_THE_STOVE = ['cook', 'steps', 'runs', 'cautions'] as const
export const MOST_WORDS_AT_THE_STOVE = 20

type Messages = { [key: string]: string | Messages }
export const textsOf = (messages: Messages, at = ''): [key: string, text: string][] =>
  Object.entries(messages).flatMap(([key, value]) =>
    typeof value === 'string' ? [[`${at}${key}`, value] as [string, string]] : textsOf(value, `${at}${key}.`),
  )
export const messagesOf = (bundle: string) => JSON.parse(readFileSync(`locales/en/${bundle}.json`, 'utf8')) as Messages

/** The sentences of a message in each of its forms; a parameter counts as one word. */
export function sentencesOf(text: string): string[][] {
  return text
    .split(/\s\|\s/)
    .flatMap((form) => form.replace(/\{\w+\}/g, 'X').split(/(?<=[.!?:;])\s+/))
    .map((sentence) => sentence.match(/[\p{L}\d’'-]+/gu) ?? [])
    .filter((words) => words.length > 0)
}

function main() {
  const rows = readdirSync('locales/en')
    .filter((file) => file.endsWith('.json') && !/catalogue|ingredients|recipe-words/.test(file))
    .map((file) => {
      const texts = textsOf(messagesOf(file.replace('.json', '')))
      const sentences = texts.flatMap(([, text]) => sentencesOf(text))
      const lengths = sentences.map((words) => words.length).sort((a, b) => a - b)
      return {
        bundle: file,
        messages: texts.length,
        'words a sentence': lengths[lengths.length >> 1],
        '95 %': lengths[Math.floor(0.95 * lengths.length)],
        longest: lengths.at(-1),
      }
    })
  console.table(rows)
}
if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) main()
