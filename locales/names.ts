import type { Names } from '../core/formats/line'
import { nameKey } from '../core/formats/name-key'
import ABROAD from './abroad.json'
import CATALOGUE from './en/catalogue.json'
import INGREDIENTS from './en/ingredients.json'
import WORDS from './en/recipe-words.json'

const set = (words: string) => new Set(words.split(' '))

/** One of what is named in the plural, and the other way round; English, as the names are. */
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
 * Every food and ingredient by any of its names, in one or many, and those of the household’s own before them. What
 * goes by one name as a spice and as a food is the food that decides how long.
 */
export function namesOf(own: readonly { id: string; name: string }[] = []): Names {
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
  addAll(WORDS.foods)
  addAll(WORDS.juices)
  const tables = [CATALOGUE, INGREDIENTS] as Record<string, { name: string; aliases: string }>[]
  for (const table of tables) for (const [id, { name }] of Object.entries(table)) add(name.replace(/\(.*\)/, ''), id)
  for (const table of tables)
    for (const [id, { aliases }] of Object.entries(table)) for (const alias of aliases.split(',')) add(alias, id)
  addAll(ABROAD)
  return {
    exact(name) {
      const key = keyOf(name)
      const found = byKey.get(key)
      if (found) return found
      for (const form of otherForms(key)) if (byKey.has(form)) return byKey.get(form)!
      return null
    },
    says: {
      prepared: set(WORDS.prepared),
      canned: set(WORDS.canned),
      colours: set(WORDS.colours),
      cooked: set(WORDS.cooked),
      minced: set(WORDS.minced),
      heads: new Set(WORDS.heads.split(',')),
      unsalted: set(WORDS.unsalted),
    },
  }
}
