import { isTag, isText } from 'domhandler'
import { DomUtils, parseDocument, Parser } from 'htmlparser2'
import { failed, problem, type Outcome } from '../problem'
import { MOST_RECIPE, type Recipe } from './recipe'
import { fromJson, fromNode } from './recipe-node'
import { fromPlain } from './recipe-plain'
import { bareName } from './recipe-text'

/** Takes the recipe out of a saved page: its JSON-LD, else its microdata, RDFa or h-recipe. Nothing of it is run. */
export function fromHtml(html: string): Outcome<Recipe> {
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
