import { isTag, isText } from 'domhandler'
import { jsonrepair } from 'jsonrepair'
import { DomUtils, parseDocument, Parser } from 'htmlparser2'
import { parse as parseDuration, toSeconds } from 'iso8601-duration'
import { failed, problem, type Outcome } from '../problem'
import { durationsIn, minutesIn } from '../quantity/duration'
import { numberAt } from '../quantity/number'
import { readQuantity } from '../quantity/quantity'

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
  /** What stood among its lines and is no text, or was too much; in its own words where it has any. */
  leftOut: string[]
  /** Where it was exported by us: the dish itself, to be parsed before it is believed. */
  own: unknown
}

/** Bounds of what is read; more is no recipe. */
export const MOST_RECIPE = {
  bytes: 2_000_000,
  ingredients: 60,
  steps: 60,
  text: 1000,
  depth: 12,
  nested: 500,
  repaired: 100_000,
} as const

/** Under which additional property our own export holds the dish itself, so that it can come back as it was. */
export const OWN_PROPERTY = 'bivvet-dish'
/** Where exports from before that hold it. */
const OWN_KEY = 'bivvetDish'

/** Reads a recipe: JSON-LD, an HTML page that holds it as such or in its own markup, or plain text. */
export function readRecipe(text: string): Outcome<Recipe> {
  if (text.length > MOST_RECIPE.bytes) return failed(problem('recipe-too-large', '', { megabytes: 2 }))
  const trimmed = text.replace(/^\uFEFF/, '').trim()
  if (trimmed === '') return failed(problem('recipe-empty', ''))
  // A picture or a packed file by another name.
  if (/\0|\uFFFD{3}/.test(trimmed.slice(0, 4000)) || trimmed.startsWith('PK\u0003'))
    return failed(problem('recipe-unreadable', ''))
  if (/^[[{]/.test(trimmed)) return fromJson(trimmed)
  if (/<(?:html|body|div|script|head|meta|ul|ol|p|span|article|section|!doctype)\b[\s\S]*>/i.test(trimmed))
    return fromHtml(trimmed)
  return fromPlain(trimmed)
}

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

function fromJson(text: string): Outcome<Recipe> {
  let value: unknown
  try {
    value = parseLoosely(text)
  } catch {
    return failed(problem('recipe-unreadable', ''))
  }
  const found = findRecipe(value)
  return found ? fromNode(resolved(found, value)) : failed(problem('recipe-none', ''))
}

/** Takes the recipe out of a saved page: its JSON-LD, else its microdata, RDFa or h-recipe. Nothing of it is run. */
function fromHtml(html: string): Outcome<Recipe> {
  if (isTooDeep(html)) return failed(problem('recipe-unreadable', ''))
  const page = parseDocument(html)
  let worst: Outcome<Recipe> | null = null
  for (const script of DomUtils.findAll(
    ({ name, attribs }) => name === 'script' && /ld\+json/i.test(attribs.type ?? ''),
    page.children,
  )) {
    const found = fromJson(DomUtils.textContent(script))
    if (found.ok) return found
    if (found.problems[0]!.code !== 'recipe-none') worst ??= found
  }
  for (const marks of MARKUPS) {
    const found = fromMarkup(page.children, marks)
    if (found?.ok) return found
    worst ??= found
  }
  // A page that was only saved as text.
  const body = DomUtils.findOne(({ name }) => name === 'body', page.children) ?? page
  if (
    DomUtils.findAll(({ name }) => name === 'script' || name === 'nav' || name === 'form', page.children).length === 0
  ) {
    const plain = fromPlain(linesOf(body))
    if (plain.ok) return plain
  }
  return worst ?? failed(problem('recipe-none', ''))
}

/** Nested deeper than any page is: what reads it would not come back. */
function isTooDeep(html: string): boolean {
  let depth = 0
  let deepest = 0
  const parser = new Parser({
    onopentag: () => void (deepest = Math.max(deepest, ++depth)),
    onclosetag: () => void depth--,
  })
  for (let at = 0; at < html.length && deepest <= MOST_RECIPE.nested; at += CHUNK)
    parser.write(html.slice(at, at + CHUNK))
  return deepest > MOST_RECIPE.nested
}
const CHUNK = 16_384

type Element = Parameters<typeof DomUtils.getChildren>[0]
type Nodes = Parameters<typeof DomUtils.findAll>[1]

/** How a page marks a recipe and its parts in its own markup. */
interface Markup {
  isRecipe(attribs: Record<string, string>): boolean
  /** What a part is called by its attributes. */
  partOf(attribs: Record<string, string>): string[]
}
const listed = (text = '') => text.split(/\s+/).filter(Boolean)
const bareName = (name: string) => name.replace(/^.*[/:#]/, '')
const H_PARTS: Readonly<Record<string, string>> = {
  'p-name': 'name',
  fn: 'name',
  'p-ingredient': 'recipeIngredient',
  ingredient: 'recipeIngredient',
  'e-instructions': 'recipeInstructions',
  instructions: 'recipeInstructions',
  'p-yield': 'recipeYield',
  yield: 'recipeYield',
  'dt-duration': 'totalTime',
  duration: 'totalTime',
}
const MARKUPS: readonly Markup[] = [
  {
    isRecipe: ({ itemtype = '' }) => listed(itemtype).some((one) => bareName(one) === 'Recipe'),
    partOf: ({ itemprop }) => listed(itemprop).map(bareName),
  },
  {
    isRecipe: ({ typeof: type = '' }) => listed(type).some((one) => bareName(one) === 'Recipe'),
    partOf: ({ property }) => listed(property).map(bareName),
  },
  {
    isRecipe: ({ class: names = '' }) => listed(names).some((one) => one === 'h-recipe' || one === 'hrecipe'),
    partOf: ({ class: names }) => listed(names).flatMap((one) => H_PARTS[one] ?? []),
  },
]

function fromMarkup(nodes: Nodes, { isRecipe, partOf }: Markup): Outcome<Recipe> | null {
  const root = DomUtils.findOne(({ attribs }) => isRecipe(attribs), nodes)
  if (!root) return null
  const parts: Record<string, unknown[]> = {}
  for (const one of DomUtils.findAll(({ attribs }) => partOf(attribs).length > 0, root.children)) {
    const { attribs, name } = one
    const said = attribs.content ?? attribs.datetime ?? (name === 'meta' || name === 'link' ? '' : linesOf(one))
    for (const part of partOf(attribs)) (parts[part] ??= []).push(said)
  }
  const { name, recipeIngredient, ingredients, recipeInstructions, step, recipeYield, totalTime, prepTime, cookTime } =
    parts
  const text = (list: unknown[] = []) => list.map(String).join('\n')
  return fromNode({
    name: name?.[0],
    recipeIngredient: recipeIngredient ?? ingredients,
    // Steps marked one by one inside of instructions are told once.
    recipeInstructions:
      recipeInstructions && recipeInstructions.length === 1 ? text(recipeInstructions) : (recipeInstructions ?? step),
    recipeYield,
    totalTime,
    prepTime,
    cookTime,
  })
}

const BREAKS = new Set(['br', 'p', 'li', 'div', 'tr', 'h1', 'h2', 'h3', 'h4', 'ul', 'ol', 'section', 'article'])
/** The text of a part of a page, a line for each block. */
function linesOf(node: Element): string {
  let text = ''
  for (const child of DomUtils.getChildren(node)) {
    if (isText(child)) text += child.data.replace(/\s+/g, ' ')
    else if (isTag(child)) {
      if (child.name === 'script' || child.name === 'style') continue
      const isBlock = BREAKS.has(child.name)
      text += `${isBlock ? '\n' : ''}${linesOf(child)}${isBlock ? '\n' : ''}`
    }
  }
  return text.replace(/[ \t]+/g, ' ').replace(/\s*\n\s*/g, '\n')
}

type Node = Record<string, unknown>
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && !Array.isArray(value)
const listOf = (value: unknown): unknown[] =>
  Array.isArray(value) ? value : value === undefined || value === null ? [] : [value]
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

function fromNode(node: Node): Outcome<Recipe> {
  const name = plainText(textOf(node.name ?? node.headline)).slice(0, 80)
  const leftOut: string[] = []
  const ingredients = listOf(node.recipeIngredient ?? node.ingredients ?? node.supply).flatMap((one) => {
    const text = isNode(one) ? textOf(one.name ?? one.text ?? one) : textOf(one)
    if (text === '') leftOut.push(JSON.stringify(one).slice(0, 120))
    return withBreaks(text).split(/\r?\n/).map(plainText).filter(Boolean)
  })
  const steps = stepsOf(node.recipeInstructions ?? node.step ?? node.instructions, null, leftOut)
  if (ingredients.length === 0 && steps.length === 0) return failed(problem('recipe-none', ''))
  if (ingredients.length > MOST_RECIPE.ingredients || steps.length > MOST_RECIPE.steps)
    return failed(problem('recipe-too-long', '', { ingredients: MOST_RECIPE.ingredients, steps: MOST_RECIPE.steps }))
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

/** “1. Rinse the rice. 2. Cook it.” is two steps. */
const NUMBERS_INSIDE = /(?:^|\s)(?:step\s*)?\d{1,2}\s*[.):]\s+(?=\p{Lu})/iu
function parted(text: string): string[] {
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
function servingsOf(value: unknown): number | null {
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

const INGREDIENTS_HEADING =
  /^\W*(ingredients|you need|you will need|you[’']ll need|what you need|zutaten|ingredientes|ingrédients|ingredienti|सामग्री|सामान)(?![\p{L}\p{M}]).{0,40}$/iu
const STEPS_HEADING =
  /^\W*(method|directions|instructions|steps|preparation|how to|procedure|zubereitung|preparación|préparation|preparo|procedimento|cooking|so geht['’]?s|elaboración|modo de preparación|विधि|बनाने की विधि)(?![\p{L}\p{M}])[^.]{0,30}$/iu
const SERVES =
  /\b(?:serves|servings?|feeds|yield)\D{0,12}\d+|\bfor \d+ (?:people|persons?)|^\W*(?:makes|yields?)\s+(?:about\s+|approx\.?\s+|ca\.?\s+)?\d|\b\d+(?:\s*(?:-|–|to|bis|a)\s*\d+)?\s+(?:servings?|portions?|people|portionen|personen|personas|porciones|raciones|लोगों|व्यक्तियों)(?![\p{L}\p{M}])/iu
/** What stands about a recipe and is none of its lines. */
const META =
  /^\W*(?:(?:prep|cook|total|ready)\b\s*[:\-–]?\s*\d+\s*(?:mins?|minutes?|h|hrs?|hours?)|(?:prep(?:aration)?|cook(?:ing)?|total|ready|active|resting|soaking|marinating|hands[- ]on|additional)\s*(?:time|in)|time|difficulty|cuisine|course|category|author|published|updated|calories|nutrition|rating|keywords?|diet|level|print|pin|jump to)\b\s*[:\-–]?/i
const NUMBERED = /^\s*(?:step\s*)?\d+\s*[.):]\s+/i
const LOOKS_MEASURED =
  /^[\s•·*▢□–—-]*(?:\d|[½¼¾⅓⅔⅛]|an?\s|a few|(?:half|one|two|three|four)\s|handful|pinch|salt\b|juice of)/i
/** “Temper with 1 tsp oil, ½ tsp mustard seeds”. */
export const PART_WITH = /^(temper|season|garnish)\s+with\s+(?=[\d½¼¾])([^.;]*)$/i
/** “Rice – 1 cup”, “To temper: oil 2 tsp, mustard ½ tsp”. */
const MEASURED_LAST = /[-–—:]\s*[\d½¼¾]|^[^\d.:]{3,40}:\s[^.:]*[\d½¼¾][^.:]*$/
const LOOKS_DONE =
  /^(?:soak|heat|add|cook|fry|boil|bring|simmer|rinse|wash|drain|mix|stir|close|pressure[\s-]cook|chop|peel|serve|pour|place|put|in an?|once|when|let|turn|open|mash|blend|temper|saut[ée]|dredge|brown(?=\s+(?:the|them|it|in|on)\s)|toast|season|transfer|combine|whisk|marinate|remove|sprinkle|garnish|lock|seal|set|preheat|grind|dice|cover|lower|return|toss|fold|melt|warm|roast|meanwhile|after|while|then|now|first|next|finally|release|discard|take|keep|leave|make sure)(?![\p{L}\p{M}-])/iu
/** “For the sauce:”, “to serve”, “MASALA:”: what follows is one part of it. */
const GROUP_HEADING = /^(?:for|to)\s+[^\d½¼¾.,]{2,40}$|^[^\d½¼¾.]{2,40}:$/i
/** A line of a list has no more words; what has more is told in sentences. */
const MOST_LISTED_WORDS = 14
const MOST_LISTED_CHARACTERS = 120
/** Of what nobody says how much, a name has no more words than that. */
const MOST_NAME_WORDS = 5
/** Of a list at the very end. */
const MOST_LAST_WORDS = 3

const words = (line: string) => line.split(/\s+/).length
const isGroupHeading = (line: string) => GROUP_HEADING.test(line) && !LOOKS_DONE.test(line)
/** It says how much of something, and nothing that is done. */
const isMeasured = (line: string) =>
  line.length < MOST_LISTED_CHARACTERS &&
  (LOOKS_MEASURED.test(line) || MEASURED_LAST.test(line) || PART_WITH.test(line)) &&
  !NUMBERED.test(line) &&
  (!LOOKS_DONE.test(line) || PART_WITH.test(line)) &&
  !isSentence(line) &&
  durationsIn(line)[0]?.index !== 0

/** A recipe as it is typed or pasted: a name, lines of ingredients, then what to do; or all of it in sentences. */
function fromPlain(text: string): Outcome<Recipe> {
  const all = text.split(/\r?\n/).map((one) => one.trim())
  const lines = all.filter(Boolean)
  if (lines.length > MOST_RECIPE.ingredients + MOST_RECIPE.steps + 60) return failed(tooLong())
  const ingredients: string[] = []
  const steps: RecipeStep[] = []
  let servings: number | null = null
  let part: 'unsaid' | 'ingredients' | 'steps' = 'unsaid'
  let section: string | null = null
  const isNamed = lines.length > 1 && isName(lines[0]!, all[1]!)
  const rest = isNamed ? lines.slice(1) : lines
  for (const [i, line] of rest.entries()) {
    const serves = ingredients.length === 0 && steps.length === 0 && line.length < 60 ? SERVES.exec(line) : null
    if (serves) servings = servingsOf(line) ?? servingsOf(serves[0])
    else if (steps.length === 0 && META.test(line)) continue
    else if (INGREDIENTS_HEADING.test(line)) part = 'ingredients'
    else if (STEPS_HEADING.test(line)) part = 'steps'
    // Of another part what goes in may stand below the steps of the first.
    else if (isGroupHeading(line) && isListed(rest[i + 1], part)) {
      ingredients.push(`${line.replace(/:$/, '')}:`)
      if (part === 'steps') part = 'unsaid'
    } else if (
      part !== 'steps' &&
      !NUMBERED.test(line) &&
      line.length < MOST_LISTED_CHARACTERS &&
      (part === 'ingredients'
        ? !isSentence(line)
        : isMeasured(line) || (ingredients.length > 0 && isBareNameAt(rest, i)))
    )
      ingredients.push(line)
    else if (
      part === 'unsaid' &&
      ingredients.length === 0 &&
      !NUMBERED.test(line) &&
      !LOOKS_DONE.test(line) &&
      (!/\d/.test(line) || (rest[i + 1] !== undefined && isMeasured(rest[i + 1]!)))
    )
      continue
    else {
      part = 'steps'
      const short = /:$/.test(line) && line.length < 60
      if (short) section = line.replace(/:$/, '')
      else for (const one of parted(line.replace(NUMBERED, ''))) steps.push(stepOf(one, section, null))
    }
  }
  if (ingredients.length === 0) ingredients.push(...amountsIn(steps.map((one) => one.text).join('\n')))
  if (ingredients.length === 0) return failed(problem('recipe-none', ''))
  if (ingredients.length > MOST_RECIPE.ingredients || steps.length > MOST_RECIPE.steps) return failed(tooLong())
  return {
    ok: true,
    value: {
      name: isNamed ? lines[0]!.slice(0, 80) : '–',
      servings,
      ingredients,
      steps,
      totalMinutes: null,
      leftOut: [],
      own: null,
    },
  }
}
/** “Three bean chili” is a name if a gap or the portions follow, and an ingredient if others do. */
function isName(line: string, next: string): boolean {
  if (line.length > 80 || LOOKS_DONE.test(line)) return false
  return !LOOKS_MEASURED.test(line) || (/^\p{L}/u.test(line) && (next === '' || SERVES.test(next)))
}
const isListed = (line: string | undefined, part: 'unsaid' | 'ingredients' | 'steps') =>
  line !== undefined && (isMeasured(line) || (part === 'ingredients' && !isSentence(line) && !STEPS_HEADING.test(line)))
/** “Croutons”, “salt, pepper”, “cooked rice for serving”: of which nobody says how much. */
const isBareName = (line: string) =>
  words(line) <= MOST_NAME_WORDS && !/[.!?:]$/.test(line) && !LOOKS_DONE.test(line) && /\p{L}/u.test(line)
/** A short line is a name, and no short step, if more of the list or whole sentences follow it. */
function isBareNameAt(lines: readonly string[], at: number): boolean {
  if (!isBareName(lines[at]!)) return false
  // No step has one word.
  if (words(lines[at]!) === 1) return true
  const next = lines.slice(at + 1).find((line) => isMeasured(line) || !isBareName(line))
  if (next === undefined) return words(lines[at]!) <= MOST_LAST_WORDS
  return (
    isMeasured(next) || isGroupHeading(next) || NUMBERED.test(next) || STEPS_HEADING.test(next) || /[.!]$/.test(next)
  )
}
const tooLong = () => problem('recipe-too-long', '', { ingredients: MOST_RECIPE.ingredients, steps: MOST_RECIPE.steps })
const isSentence = (line: string) =>
  /[.!]$/.test(line) && ((LOOKS_DONE.test(line) && words(line) > 4) || words(line) > MOST_LISTED_WORDS)

/** What is measured in sentences: “Cook 1 cup toor dal with 3 cups water for 4 whistles.” */
export function amountsIn(text: string): string[] {
  const times = durationsIn(text)
  const found: string[] = []
  let end = 0
  for (const { index } of text.matchAll(
    /(?<![\p{L}\d.,/½¼¾])(?:\d|[½¼¾⅓⅔]|an?\s+(?:pinch|handful|cup|tablespoon|teaspoon)\b|one\b|two\b|half\b)/giu,
  )) {
    if (index < end || times.some((one) => index >= one.index && index < one.index + one.length)) continue
    const [line = ''] = text
      .slice(index, index + MOST_LISTED_CHARACTERS)
      .split(/[,.;:()\n](?!\d)|\s+(?:and|with|for|in|until|till|to|into|under|over|on|then|at|plus)\s+/i)
    const { amounts, words } = readQuantity(line.trim())
    if (amounts.length > 0 && /\p{L}/u.test(words) && !/^(?:whistles?|times?|°|degrees?|parts?|more)\b/i.test(words)) {
      found.push(line.trim())
      end = index + line.length
    }
  }
  return found
}
