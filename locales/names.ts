import type { Names, Words } from '../core/formats/line'
import { nameKey } from '../core/formats/name-key'
import ABROAD from './abroad.json'
import CATALOGUE from './en/catalogue.json'
import INGREDIENTS from './en/ingredients.json'
import WORDS from './en/recipe-words.json'

type Table = Readonly<Record<string, { name: string; aliases: string }>>

/** What one language has for reading: what things are called, and its words for preparing and cooking them. */
export interface Reading {
  catalogue: Table
  ingredients: Table
  words: Omit<typeof WORDS, 'foods' | 'perhaps' | 'juices'> & {
    foods: Readonly<Record<string, string>>
    /** Names that stand for several things, by the likeliest of them. */
    perhaps: Readonly<Record<string, string>>
    juices: Readonly<Record<string, string>>
    /** Its words for what is done, for how long and with what, by the English ones that they stand for. */
    done?: Readonly<Record<string, string>>
  }
}
const ENGLISH: Reading = { catalogue: CATALOGUE, ingredients: INGREDIENTS, words: WORDS }

/** One of what is named in the plural, and the other way round, as English writes it, and Spanish mostly. */
function otherForms(key: string): string[] {
  const last = key.split(' ').at(-1)!
  const rest = key.slice(0, key.length - last.length)
  const forms = [
    `${last}s`,
    `${last}es`,
    last.replace(/ies$/, 'y'),
    last.replace(/(oes|shes|ches|xes)$/, (end) => end.slice(0, -2)),
    last.replace(/s$/, ''),
    last.replace(/ves$/, 'f'),
  ]
  return forms.map((form) => rest + form)
}

/** Chilli is written in many ways. */
const keyOf = (name: string) =>
  nameKey(name)
    .replace(/ of /g, ' ')
    .replace(/\bchil(?:li|i|e|l)(?:es|s)?\b/g, 'chilli')

/**
 * Every food and ingredient by any of its names, in one or many, and those of the household’s own before them; those of
 * the language that is read go before the English ones. What goes by one name as a spice and as a food is the food that
 * decides how long.
 */
export function namesOf(own: readonly { id: string; name: string }[] = [], reading: Reading | null = null): Names {
  const byKey = new Map<string, string>()
  const vague = new Set<string>()
  const add = (name: string, id: string) => {
    const key = keyOf(name)
    if (key === '') return
    if (!byKey.has(key)) byKey.set(key, id)
  }
  const addAll = (table: Readonly<Record<string, string>>) => {
    for (const [id, names] of Object.entries(table)) for (const name of names.split(',')) add(name, id)
  }
  for (const { id, name } of own) add(name, id)
  const all = [...(reading ? [reading] : []), ENGLISH]
  for (const { words } of all)
    for (const [id, names] of Object.entries(words.perhaps))
      for (const name of names.split(',')) {
        if (!byKey.has(keyOf(name))) vague.add(keyOf(name))
        add(name, id)
      }
  for (const { catalogue, ingredients, words } of all) {
    addAll(words.foods)
    addAll(words.juices)
    const tables = [catalogue, ingredients]
    for (const table of tables) for (const [id, { name }] of Object.entries(table)) add(name.replace(/\(.*\)/, ''), id)
    for (const table of tables)
      for (const [id, { aliases }] of Object.entries(table)) for (const alias of aliases.split(',')) add(alias, id)
  }
  addAll(ABROAD)
  const says = (name: Exclude<keyof Words, 'heads'>) => new Set(all.flatMap(({ words }) => wordsOf(words[name])))
  /** The form of a name by which it is known; null for none. */
  const known = (name: string) => {
    const key = keyOf(name)
    return byKey.has(key) ? key : (otherForms(key).find((form) => byKey.has(form)) ?? null)
  }
  return {
    exact(name) {
      const form = known(name)
      return form === null ? null : byKey.get(form)!
    },
    isVague(name) {
      const form = known(name)
      return form !== null && vague.has(form)
    },
    says: {
      prepared: says('prepared'),
      canned: says('canned'),
      colours: says('colours'),
      cooked: says('cooked'),
      fresh: says('fresh'),
      frozen: says('frozen'),
      dried: says('dried'),
      minced: says('minced'),
      heads: new Set(all.flatMap(({ words }) => words.heads.split(',').map(nameKey))),
      unsalted: says('unsalted'),
    },
    ...(reading?.words.done ? { inEnglish: inEnglish(reading.words.done) } : {}),
  }
}
const wordsOf = (words: string) => words.split(' ').flatMap((word) => [word, nameKey(word)])

/**
 * Puts the English word in the place of each that has one, the longest first; all else stays as it is. A verb that is
 * written apart (“weiche … ein”) is told where it begins, with what denies it: “weiche die Bohnen nicht ein”.
 */
function inEnglish(done: Readonly<Record<string, string>>): (text: string) => string {
  const written = Object.entries(done).flatMap(([english, words]) =>
    listed(words).map((word) => [word, english] as const),
  )
  const byWord = new Map(written.filter(([word]) => !word.includes(APART)))
  const pattern = oneOf([...byWord.keys()])
  const denied = oneOf(listed(done['do not'] ?? ''))
  const endOfClause = `(?=\\s*(?:$|[.,;:!?।]|(?:${listed(done.and ?? '').join('|')})\\s))`
  const apart = written.flatMap(([word, english]) => {
    const [first, last] = word.split(APART)
    if (last === undefined) return []
    const parts = `${NO_LETTER_BEFORE}${first}${NO_LETTER_AFTER}([^.;:!?]*?)\\s${last}${endOfClause}`
    return [[new RegExp(parts, 'giu'), english] as const]
  })
  const told = (english: string, between: string) => {
    const affirmed = between.replace(denied, '')
    return `${affirmed === between ? '' : 'do not '}${english}${affirmed}`
  }
  return (text) =>
    apart
      .reduce((said, [parts, english]) => said.replace(parts, (_, between: string) => told(english, between)), text)
      .replace(pattern, (word) => byWord.get(word.toLowerCase())!)
}
const listed = (words: string) => words.split(',').map((word) => word.trim().toLowerCase())
const APART = ' … '
const NO_LETTER_BEFORE = '(?<![\\p{L}\\p{M}])'
const NO_LETTER_AFTER = '(?![\\p{L}\\p{M}])'
/** Any of some words, the longest first. */
const oneOf = (words: readonly string[]) =>
  new RegExp(
    `${NO_LETTER_BEFORE}(?:${[...words].sort((a, b) => b.length - a.length).join('|')})${NO_LETTER_AFTER}`,
    'giu',
  )
