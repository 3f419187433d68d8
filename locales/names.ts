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
  words: Omit<typeof WORDS, 'foods'> & {
    foods: Readonly<Record<string, string>>
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
const keyOf = (name: string) => nameKey(name).replace(/\bchil(?:li|i|e|l)(?:es|s)?\b/g, 'chilli')

/**
 * Every food and ingredient by any of its names, in one or many, and those of the household’s own before them; those of
 * the language that is read go before the English ones. What goes by one name as a spice and as a food is the food that
 * decides how long.
 */
export function namesOf(own: readonly { id: string; name: string }[] = [], reading: Reading | null = null): Names {
  const byKey = new Map<string, string>()
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
  for (const { catalogue, ingredients, words } of all) {
    addAll(words.foods)
    addAll(words.juices as Readonly<Record<string, string>>)
    const tables = [catalogue, ingredients]
    for (const table of tables) for (const [id, { name }] of Object.entries(table)) add(name.replace(/\(.*\)/, ''), id)
    for (const table of tables)
      for (const [id, { aliases }] of Object.entries(table)) for (const alias of aliases.split(',')) add(alias, id)
  }
  addAll(ABROAD)
  const says = (name: Exclude<keyof Words, 'heads'>) => new Set(all.flatMap(({ words }) => wordsOf(words[name])))
  return {
    exact(name) {
      const key = keyOf(name)
      const found = byKey.get(key)
      if (found) return found
      for (const form of otherForms(key)) if (byKey.has(form)) return byKey.get(form)!
      return null
    },
    says: {
      prepared: says('prepared'),
      canned: says('canned'),
      colours: says('colours'),
      cooked: says('cooked'),
      minced: says('minced'),
      heads: new Set(all.flatMap(({ words }) => words.heads.split(',').map(nameKey))),
      unsalted: says('unsalted'),
    },
    ...(reading?.words.done ? { inEnglish: inEnglish(reading.words.done) } : {}),
  }
}
const wordsOf = (words: string) => words.split(' ').flatMap((word) => [word, nameKey(word)])

/** Puts the English word in the place of each that has one, the longest first; all else stays as it is. */
function inEnglish(done: Readonly<Record<string, string>>): (text: string) => string {
  const byWord = new Map(
    Object.entries(done).flatMap(([english, words]) =>
      words.split(',').map((word) => [word.trim().toLowerCase(), english] as const),
    ),
  )
  const longestFirst = [...byWord.keys()].sort((a, b) => b.length - a.length)
  const pattern = new RegExp(`(?<![\\p{L}\\p{M}])(?:${longestFirst.join('|')})(?![\\p{L}\\p{M}])`, 'giu')
  return (text) => text.replace(pattern, (word) => byWord.get(word.toLowerCase())!)
}
