import { Parser } from 'htmlparser2'
import { parse as parseDuration, toSeconds } from 'iso8601-duration'
import { failed, problem, type Outcome } from '../problem'

/** One thing to do, as a recipe says it. */
export interface RecipeStep {
  section: string | null
  text: string
  minutes: number | null
}

/** A recipe as it was written, whatever it came in. */
export interface Recipe {
  name: string
  servings: number | null
  ingredients: string[]
  steps: RecipeStep[]
  totalMinutes: number | null
  /** Where it was exported by us: the dish itself, to be parsed before it is believed. */
  own: unknown
}

/** Bounds of what is read; more is no recipe. */
export const MOST_RECIPE = { bytes: 2_000_000, ingredients: 60, steps: 60, text: 1000, depth: 12 } as const

/** Under which additional property our own export holds the dish itself, so that it can come back as it was. */
export const OWN_PROPERTY = 'bivvet-dish'
/** Where exports from before that hold it. */
const OWN_KEY = 'bivvetDish'

/** Reads a recipe: JSON-LD, an HTML page that holds it, or plain text. */
export function readRecipe(text: string): Outcome<Recipe> {
  if (text.length > MOST_RECIPE.bytes) return failed(problem('recipe-too-large', '', { megabytes: 2 }))
  const trimmed = text.trim()
  if (trimmed === '') return failed(problem('recipe-empty', ''))
  if (/^[[{]/.test(trimmed)) return fromJson(trimmed)
  if (/<[a-z!][\s\S]*>/i.test(trimmed)) return fromHtml(trimmed)
  return fromPlain(trimmed)
}

function fromJson(text: string): Outcome<Recipe> {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return failed(problem('recipe-unreadable', ''))
  }
  const found = findRecipe(value)
  return found ? fromNode(found) : failed(problem('recipe-none', ''))
}

/** Takes the scripts that hold JSON-LD out of a saved page; nothing of it is run. */
function fromHtml(html: string): Outcome<Recipe> {
  const scripts: string[] = []
  let inside = false
  const parser = new Parser({
    onopentag(name, { type = '' }) {
      inside = name === 'script' && /^application\/(\w+\+)?ld\+json/i.test(type.trim())
      if (inside) scripts.push('')
    },
    ontext(part) {
      if (inside) scripts[scripts.length - 1] += part
    },
    onclosetag(name) {
      if (name === 'script') inside = false
    },
  })
  parser.end(html)
  for (const script of scripts) {
    // Some pages leave line breaks inside their strings.
    const found = fromJson(
      script
        .trim()
        .replace(/^<!--|-->$/g, '')
        .replace(/[\r\n\t]+/g, ' '),
    )
    if (found.ok) return found
  }
  return failed(problem('recipe-none', ''))
}

type Node = Record<string, unknown>
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && !Array.isArray(value)
const listOf = (value: unknown): unknown[] =>
  Array.isArray(value) ? value : value === undefined || value === null ? [] : [value]
const isOf = (node: Node, type: string) =>
  listOf(node['@type']).some((one) => typeof one === 'string' && one.replace(/^.*[/:#]/, '') === type)

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
  if (isOf(value, 'Recipe')) return value
  for (const key of ['@graph', 'mainEntity', 'mainEntityOfPage', 'itemListElement', 'item', 'hasPart']) {
    const found = value[key] === undefined ? null : findRecipe(value[key], depth + 1)
    if (found) return found
  }
  return null
}

function fromNode(node: Node): Outcome<Recipe> {
  const name = textOf(node.name).slice(0, 80)
  const ingredients = listOf(node.recipeIngredient ?? node.ingredients ?? node.supply)
    .flatMap((one) =>
      typeof one === 'string' ? one.split(/\r?\n/) : [textOf(isNode(one) ? (one.name ?? one.text) : one)],
    )
    .map(plainText)
    .filter(Boolean)
  const steps = stepsOf(node.recipeInstructions, null)
  if (ingredients.length === 0 && steps.length === 0) return failed(problem('recipe-none', ''))
  if (ingredients.length > MOST_RECIPE.ingredients || steps.length > MOST_RECIPE.steps)
    return failed(problem('recipe-too-long', '', { ingredients: MOST_RECIPE.ingredients, steps: MOST_RECIPE.steps }))
  return {
    ok: true,
    value: {
      name: name || '–',
      servings: servingsOf(node.recipeYield ?? node.yield),
      ingredients: ingredients.map((one) => one.slice(0, 300)),
      steps,
      totalMinutes: minutesOf(node.totalTime) ?? minutesOf(node.cookTime),
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

function stepsOf(value: unknown, section: string | null, depth = 0): RecipeStep[] {
  if (depth > MOST_RECIPE.depth) return []
  if (typeof value === 'string') {
    const text = withBreaks(value)
    return text
      .split(/\n+/)
      .map((one) => plainText(one))
      .filter(Boolean)
      .map((one) => stepOf(one, section, null))
  }
  if (Array.isArray(value)) return value.flatMap((one) => stepsOf(one, section, depth + 1))
  if (!isNode(value)) return []
  const inner = value.itemListElement ?? value.steps
  if (inner !== undefined) {
    const named = isOf(value, 'HowToSection') ? plainText(textOf(value.name)) : ''
    return stepsOf(inner, named || section, depth + 1)
  }
  const text = plainText(textOf(value.text ?? value.description ?? value.name ?? value.item))
  return text ? [stepOf(text, section, minutesOf(value.performTime ?? value.totalTime ?? value.timeRequired))] : []
}

const stepOf = (text: string, section: string | null, minutes: number | null): RecipeStep => ({
  section,
  text: text.slice(0, MOST_RECIPE.text),
  minutes,
})

function textOf(value: unknown): string {
  if (typeof value === 'string') return value
  if (typeof value === 'number') return String(value)
  if (isNode(value)) return textOf(value['@value'] ?? value.text ?? value.name)
  return Array.isArray(value) ? textOf(value[0]) : ''
}

const withBreaks = (html: string) => html.replace(/<(br|\/p|\/li|\/div)\s*\/?>/gi, '\n')

/** The words of a text that may hold tags and entities; what is between script tags is left out. */
export function plainText(html: string): string {
  if (!/[<&]/.test(html)) return html.replace(/\s+/g, ' ').trim()
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
  return text.replace(/\s+/g, ' ').trim()
}

/** “4”, 4, “4 servings”, “Serves 4 to 6”, [“6”, “6 bowls”]. */
function servingsOf(value: unknown): number | null {
  for (const one of listOf(value)) {
    const figure = /\d+(?:[.,]\d+)?/.exec(isNode(one) ? textOf(one.value ?? one.name) : textOf(one))
    const servings = figure ? Number(figure[0].replace(',', '.')) : NaN
    if (servings >= 1 && servings <= 100) return servings
  }
  return null
}

/** Minutes of an ISO 8601 duration; null for what is none. */
export function minutesOf(value: unknown): number | null {
  const text = textOf(value).trim()
  if (!/^P/.test(text)) return null
  try {
    const minutes = toSeconds(parseDuration(text)) / 60
    return minutes > 0 && minutes <= 60 * 24 * 14 ? minutes : null
  } catch {
    return null
  }
}

const INGREDIENTS_HEADING = /^\W*(ingredients|you need|you will need|what you need|zutaten)\b.*$/i
const STEPS_HEADING = /^\W*(method|directions|instructions|steps|preparation|how to|procedure)\b[^.]{0,30}$/i
const SERVES = /\b(?:serves|servings|makes|for|yield)\D{0,12}(\d+)/i
const NUMBERED = /^\s*(?:step\s*)?\d+\s*[.):]\s+/i
const LOOKS_MEASURED = /^[\s•·*–—-]*(?:\d|[½¼¾⅓⅔⅛]|an?\s|a few|half|one|two|three|handful|pinch|salt\b)/i

/** A recipe as it is typed or pasted: a name, lines of ingredients, then what to do. */
function fromPlain(text: string): Outcome<Recipe> {
  const lines = text
    .split(/\r?\n/)
    .map((one) => one.trim())
    .filter(Boolean)
  const [first = '', ...rest] = lines
  const ingredients: string[] = []
  const steps: RecipeStep[] = []
  let servings: number | null = null
  let part: 'unsaid' | 'ingredients' | 'steps' = 'unsaid'
  let section: string | null = null
  for (const line of rest) {
    const serves = ingredients.length === 0 && steps.length === 0 ? SERVES.exec(line) : null
    if (serves && line.length < 60) servings = Number(serves[1])
    else if (INGREDIENTS_HEADING.test(line)) part = 'ingredients'
    else if (STEPS_HEADING.test(line)) part = 'steps'
    else if (
      part !== 'steps' &&
      !NUMBERED.test(line) &&
      line.length < 120 &&
      (part === 'ingredients' || LOOKS_MEASURED.test(line))
    )
      ingredients.push(line)
    else {
      part = 'steps'
      const short = /:$/.test(line) && line.length < 60
      if (short) section = line.replace(/:$/, '')
      else steps.push(stepOf(line.replace(NUMBERED, ''), section, null))
    }
  }
  if (ingredients.length === 0) return failed(problem('recipe-none', ''))
  if (ingredients.length > MOST_RECIPE.ingredients || steps.length > MOST_RECIPE.steps)
    return failed(problem('recipe-too-long', '', { ingredients: MOST_RECIPE.ingredients, steps: MOST_RECIPE.steps }))
  return {
    ok: true,
    value: { name: first.slice(0, 80), servings, ingredients, steps, totalMinutes: null, own: null },
  }
}
