import { Parser } from 'htmlparser2'
import { parse as parseDuration, toSeconds } from 'iso8601-duration'
import { minutesIn } from '../quantity/duration'
import { numberAt } from '../quantity/number'
import { MOST_RECIPE, type RecipeStep } from './recipe'

/** An object of JSON. */
export type Node = Record<string, unknown>
export const isNode = (value: unknown): value is Node =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
export const listOf = (value: unknown): unknown[] =>
  Array.isArray(value) ? value : value === undefined || value === null ? [] : [value]
/** A name without its prefix: `schema:name`, `http://schema.org/name`. */
export const bareName = (name: string) => name.replace(/^.*[/:#]/, '')

/** The text of a value that may hold it as its value, its text, its name or its first; empty where there is none. */
export function textOf(value: unknown): string {
  if (typeof value === 'string') return value
  if (typeof value === 'number') return String(value)
  if (isNode(value)) return textOf(value['@value'] ?? value.text ?? value.name)
  return Array.isArray(value) ? textOf(value[0]) : ''
}

const NUMBERS_INSIDE = /(?:^|\s)(?:step\s*)?\d{1,2}\s*[.):]\s+(?=\p{Lu})/iu
/** A text line by line; “1. Rinse the rice. 2. Cook it.” is two. */
export function parted(text: string): string[] {
  const lines = withBreaks(text).split(/\n+/).map(plainText).filter(Boolean)
  return lines.flatMap((line) => {
    const count = [...line.matchAll(new RegExp(NUMBERS_INSIDE.source, 'giu'))].length
    return count > 1 || (count === 1 && NUMBERS_INSIDE.exec(line)!.index === 0)
      ? line
          .split(new RegExp(NUMBERS_INSIDE.source, 'iu'))
          .map((one) => one.trim())
          .filter(Boolean)
      : [line]
  })
}

/** A step, no longer than one may be. */
export const stepOf = (text: string, section: string | null, minutes: number | null): RecipeStep => ({
  section,
  text: text.slice(0, MOST_RECIPE.text),
  minutes,
})

/** The same with a line for each block of a page. */
export const withBreaks = (html: string) => html.replace(/<(br|\/p|\/li|\/div)\s*\/?>/gi, '\n')

/** Entities that were escaped once more on the way. */
const MOST_ESCAPED = 3

/** The words of a text that may hold tags and entities, however often escaped; what is between script tags is left out. */
export function plainText(html: string): string {
  let text = html
  for (let i = 0; i < MOST_ESCAPED && /[<&]/.test(text); i++) {
    const next = withoutTags(text)
    if (next === text) break
    text = next
  }
  return text.replace(/\s+/g, ' ').trim()
}

function withoutTags(html: string): string {
  let text = ''
  let skip = 0
  const parser = new Parser({
    onopentag(name) {
      if (name === 'script' || name === 'style') skip++
    },
    ontext(part) {
      if (skip === 0) text += part
    },
    onclosetag(name) {
      if (name === 'script' || name === 'style') skip--
      else text += ' '
    },
  })
  parser.end(html)
  return text
}

const PORTIONS =
  /(?<![\p{L}\p{M}])(?:serv(?:es?|ings?)|portions?|people|persons?|pax|plates?|bowls?|helpings?|adults?|personas|personnes|personen|porciones|portionen|porzioni|pessoas|kişilik|raciones|लोगों|व्यक्तियों)(?![\p{L}\p{M}])/iu
const LEADS = /^\s*(?:serves?|servings?|makes|yields?|for|feeds?|about|approx\.?|circa)?\s*:?\s*/i

/** Portions, where it says so: “4”, 4, “4 servings”, “Serves 4 to 6”, [“6”, “6 bowls”]; “Makes 500 g” says nothing of them. */
export function servingsOf(value: unknown): number | null {
  for (const one of listOf(value)) {
    const text = (isNode(one) ? textOf(one.value ?? one.name ?? one) : textOf(one)).trim()
    const plain = text.replace(LEADS, '').replace(LEADS, '')
    const number = numberAt(plain)
    const rest = number ? plain.slice(number.length).trim() : ''
    const isSaid = PORTIONS.test(text) || (rest === '' && !/^\s*(?:makes|yields?)\b/i.test(text))
    const found = number ?? (PORTIONS.test(text) ? numberAt(text.slice(Math.max(0, text.search(/\d/)))) : null)
    if (found && isSaid && found.low >= 1 && found.low <= 100) return found.low
  }
  return null
}

/** Minutes of an ISO 8601 duration, or of a time in words; null for what is none. */
export function minutesOf(value: unknown): number | null {
  const text = textOf(value).trim()
  let minutes: number | null
  try {
    minutes = /^P/.test(text) ? toSeconds(parseDuration(text)) / 60 : minutesIn(text)
  } catch {
    return null
  }
  return minutes !== null && minutes > 0 && minutes <= 60 * 24 * 14 ? minutes : null
}
