import { failed, problem, type Outcome } from '../problem'
import { MOST_RECIPE, type Recipe } from './recipe'
import { fromJson } from './recipe-node'
import { fromHtml } from './recipe-page'
import { fromPlain } from './recipe-plain'

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
