import { dishSchema } from '~~/core/dish/dish.schema'
import { readLine, type Measuring, type ReadLine } from '~~/core/formats/line'
import { readRecipe } from '~~/core/formats/recipe'
import { dishOfRecipe, type ImportedDish, type PotsToTake } from '~~/core/formats/recipe-dish'
import { MOST } from '~~/core/bounds'
import { failed, problem, type Outcome } from '~~/core/problem'
import { namesOf } from '~~/locales/names'

/** The household's own foods and ingredients go before the table. */
const namesFor = ({ foods = [], ingredients = [] }: Measuring) =>
  namesOf([...foods, ...ingredients].flatMap(({ id, name }) => (name === undefined ? [] : [{ id, name }])))

export function readLines(texts: readonly string[], measuring: Measuring): ReadLine[] {
  const names = namesFor(measuring)
  return texts.map((text) => readLine(text, names, measuring))
}

/** What everybody means by just these words: “rice” is white rice; null where they are no name. */
export const meantBy = (words: string, measuring: Measuring): string | null => namesFor(measuring).exact(words)

/** A recipe in whatever it came as a dish; one that we sent out comes back as it was. */
export function importRecipe(text: string, pots: PotsToTake, measuring: Measuring): Outcome<ImportedDish> {
  const recipe = readRecipe(text)
  if (!recipe.ok) return recipe
  const own = dishSchema.safeParse(recipe.value.own)
  if (own.success)
    return { ok: true, value: { dish: own.data, lines: [], steps: [], written: [], missing: [], leftOut: [] } }
  const made = dishOfRecipe(recipe.value, namesFor(measuring), pots, measuring)
  const { lines, stages } = made.dish
  if (lines.length > MOST.dishLines || stages.length > MOST.dishStages)
    return failed(problem('recipe-too-long', '', { ingredients: MOST.dishLines, steps: MOST.dishStages }))
  return { ok: true, value: made }
}

export type RecipeWork = typeof import('./recipe')
