import MiniSearch from 'minisearch'
import { plainLetters } from '~~/core/formats/name-key'
import type { NamedFood } from '~/composables/common/useNamedFoods'

const plain = plainLetters

const namesOf = ({ name, aliases, abroad = '' }: Named) =>
  [name, ...aliases.split(','), ...abroad.split(',')].map((one) => plain(one.trim())).filter(Boolean)

/** True where any name of it stands in a text as whole words: “old rajma” holds rajma. */
export function holdsName(text: string, named: Named): boolean {
  const words = (of: string) =>
    ` ${plain(of)
      .replace(/[^\p{L}\p{M}\p{N}]+/gu, ' ')
      .trim()} `
  return namesOf(named).some((name) => name !== '' && words(text).includes(words(name)))
}

/** Words this long may be written a little otherwise: carrots, daal, chickpee. */
const LEAST_FUZZY = 4
const FUZZY_SHARE = 0.25
/** Names in other languages are looked for and not shown. */
type Named = Pick<NamedFood, 'name' | 'aliases'> & { abroad?: string }
const indexes = new WeakMap<readonly Named[], MiniSearch>()

/** The index of a list of foods, made when it is first searched. */
function indexOf(foods: readonly Named[]): MiniSearch {
  const made = indexes.get(foods)
  if (made) return made
  const index = new MiniSearch({
    fields: ['name', 'aliases', 'abroad'],
    processTerm: plain,
    tokenize: (text) => text.split(/[^\p{L}\p{M}\p{N}]+/u),
  })
  index.addAll(foods.map(({ name, aliases, abroad = '' }, id) => ({ id, name, aliases, abroad })))
  indexes.set(foods, index)
  return index
}

/**
 * Foods whose names hold every word of the query, begun or written a little otherwise, best matches first; all for an
 * empty query. Where no food holds all of them, those that hold some.
 */
export function searchNames<N extends Named>(query: string, foods: readonly N[]): N[] {
  const asked = plain(query.trim())
  if (asked === '') return [...foods]
  const search = (combineWith: 'AND' | 'OR') =>
    indexOf(foods).search(query, {
      combineWith,
      prefix: true,
      fuzzy: (term) => (term.length >= LEAST_FUZZY ? FUZZY_SHARE : false),
      boost: { name: 2, abroad: 0.5 },
      // One of its names begins so.
      boostDocument: (id) => (namesOf(foods[id as number]!).some((name) => name.startsWith(asked)) ? 2 : 1),
    })
  const all = search('AND')
  return (all.length > 0 ? all : search('OR')).map(({ id }) => foods[id as number]!)
}
