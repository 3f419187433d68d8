import { jsonrepair } from 'jsonrepair'
import { failed, problem, type Outcome } from '../problem'
import { MOST_RECIPE, OWN_PROPERTY, tooLong, type Recipe, type RecipeStep } from './recipe'
import {
  bareName,
  isNode,
  listOf,
  minutesOf,
  parted,
  plainText,
  servingsOf,
  stepOf,
  textOf,
  withBreaks,
  type Node,
} from './recipe-text'

/** Where exports from before that hold it. */
const OWN_KEY = 'bivvetDish'

/** JSON as it stands in pages: with line breaks in its strings, commas too many, comments. */
function parseLoosely(text: string): unknown {
  const bare = text
    .trim()
    .replace(/^\s*(?:\/\/|\/\*)?\s*<!\[CDATA\[\s*(?:\*\/)?/i, '')
    .replace(/\s*(?:\/\/|\/\*)?\s*\]\]>\s*(?:\*\/)?\s*$/i, '')
    .replace(/^\s*<!--|-->\s*$/g, '')
    .trim()
    .replace(/;$/, '')
  try {
    return JSON.parse(bare)
  } catch {
    // No page has more than that of it, and repairing hostile text takes minutes.
    if (bare.length > MOST_RECIPE.repaired) throw new SyntaxError('too much to repair')
    // Some pages leave line breaks inside their strings.
    return JSON.parse(jsonrepair(bare.replace(/[\r\n\t]+/g, ' ')))
  }
}

export function fromJson(text: string): Outcome<Recipe> {
  let value: unknown
  try {
    value = parseLoosely(text)
  } catch {
    return failed(problem('recipe-unreadable', ''))
  }
  const found = findRecipe(value)
  return found ? fromNode(resolved(found, value)) : failed(problem('recipe-none', ''))
}

const isOf = (node: Node, type: string) =>
  listOf(node['@type'] ?? node.type).some((one) => typeof one === 'string' && bareName(one) === type)

/** The same node with its keys bare of prefixes: `schema:name`, `http://schema.org/name`. */
const bareKeys = (node: Node): Node =>
  Object.fromEntries(Object.entries(node).map(([key, value]) => [key.startsWith('@') ? key : bareName(key), value]))

/** The first recipe in a graph, an array, or whatever holds it. */
function findRecipe(value: unknown, depth = 0): Node | null {
  if (depth > MOST_RECIPE.depth) return null
  if (Array.isArray(value)) {
    for (const one of value.slice(0, 1000)) {
      const found = findRecipe(one, depth + 1)
      if (found) return found
    }
    return null
  }
  if (!isNode(value)) return null
  if (isOf(value, 'Recipe')) return bareKeys(value)
  for (const key of [
    '@graph',
    'mainEntity',
    'mainEntityOfPage',
    'itemListElement',
    'item',
    'hasPart',
    'about',
    'subjectOf',
  ]) {
    const found = value[key] === undefined ? null : findRecipe(value[key], depth + 1)
    if (found) return found
  }
  return null
}

/** A recipe whose parts stand elsewhere in its graph and are only named here. */
function resolved(recipe: Node, whole: unknown): Node {
  const byId = new Map<string, Node>()
  const collect = (value: unknown, depth = 0): void => {
    if (depth > MOST_RECIPE.depth) return
    for (const one of listOf(value).slice(0, 2000)) {
      if (!isNode(one)) continue
      if (typeof one['@id'] === 'string' && Object.keys(one).length > 1) byId.set(one['@id'], bareKeys(one))
      for (const inner of Object.values(one)) if (typeof inner === 'object') collect(inner, depth + 1)
    }
  }
  collect(whole)
  const follow = (value: unknown, depth = 0): unknown => {
    if (depth > MOST_RECIPE.depth) return value
    if (Array.isArray(value)) return value.map((one) => follow(one, depth + 1))
    if (!isNode(value)) return value
    const named = Object.keys(value).length === 1 ? byId.get(value['@id'] as string) : undefined
    return named ? follow(named, depth + 1) : value
  }
  return Object.fromEntries(Object.entries(recipe).map(([key, value]) => [key, follow(value)]))
}

export function fromNode(node: Node): Outcome<Recipe> {
  const name = plainText(textOf(node.name ?? node.headline)).slice(0, 80)
  const leftOut: string[] = []
  const ingredients = listOf(node.recipeIngredient ?? node.ingredients ?? node.supply).flatMap((one) => {
    const text = isNode(one) ? textOf(one.name ?? one.text ?? one) : textOf(one)
    if (text === '') leftOut.push(JSON.stringify(one).slice(0, 120))
    return withBreaks(text).split(/\r?\n/).map(plainText).filter(Boolean)
  })
  const steps = stepsOf(node.recipeInstructions ?? node.step ?? node.instructions, null, leftOut)
  if (ingredients.length === 0 && steps.length === 0) return failed(problem('recipe-none', ''))
  if (ingredients.length > MOST_RECIPE.ingredients || steps.length > MOST_RECIPE.steps) return failed(tooLong())
  const parts = [minutesOf(node.prepTime), minutesOf(node.cookTime)].filter((one) => one !== null)
  return {
    ok: true,
    value: {
      name: name || '–',
      servings: servingsOf(node.recipeYield ?? node.yield),
      ingredients: ingredients.map((one) => one.slice(0, 300)),
      steps,
      totalMinutes: minutesOf(node.totalTime) ?? (parts.length > 0 ? parts.reduce((sum, one) => sum + one, 0) : null),
      leftOut,
      own: ownOf(node),
    },
  }
}

/** The dish itself, where it was exported by us. */
function ownOf({ additionalProperty, [OWN_KEY]: before }: Node): unknown {
  const found = listOf(additionalProperty).find((one) => isNode(one) && one.propertyID === OWN_PROPERTY)
  if (!isNode(found) || typeof found.value !== 'string') return before ?? null
  try {
    return JSON.parse(found.value) as unknown
  } catch {
    return null
  }
}

function stepsOf(value: unknown, section: string | null, leftOut: string[], depth = 0): RecipeStep[] {
  if (depth > MOST_RECIPE.depth) return []
  if (typeof value === 'string') {
    let of = section
    return parted(value).flatMap((one) => {
      const heads = /:$/.test(one) && one.length < 60
      if (heads) of = one.replace(/:$/, '')
      return heads ? [] : [stepOf(one, of, null)]
    })
  }
  if (Array.isArray(value)) return value.flatMap((one) => stepsOf(one, section, leftOut, depth + 1))
  if (value === undefined || value === null) return []
  if (!isNode(value)) {
    leftOut.push(String(value))
    return []
  }
  const node = bareKeys(value)
  const inner = node.itemListElement ?? node.steps ?? (isOf(value, 'HowToSection') ? node.step : undefined)
  if (inner !== undefined) {
    const named = isOf(value, 'HowToSection') ? plainText(textOf(node.name)) : ''
    return stepsOf(inner, named || section, leftOut, depth + 1)
  }
  const minutes = minutesOf(node.performTime ?? node.totalTime ?? node.timeRequired)
  const said = textOf(node.text ?? node.description ?? node.name ?? node.item)
  const text = plainText(said)
  if (text === '') {
    if (node.item !== undefined) return stepsOf(node.item, section, leftOut, depth + 1)
    leftOut.push(JSON.stringify(value).slice(0, 120))
  }
  return parted(said).map((one, i, all) => stepOf(one, section, all.length === 1 ? minutes : null))
}
