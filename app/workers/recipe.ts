import { dishSchema } from '~~/core/dish/dish.schema'
import { readLine, type Measuring, type Names, type ReadLine } from '~~/core/formats/line'
import { readRecipe } from '~~/core/formats/read-recipe'
import { dishOfRecipe, type ImportedDish, type PotsToTake } from '~~/core/formats/recipe-dish'
import { MOST } from '~~/core/bounds'
import { failed, problem, type Outcome } from '~~/core/problem'
import CATALOGUE from '~~/locales/en/catalogue.json'
import type { Locale } from '~~/locales/languages'
import { namesOf } from '~~/locales/names'
import { readingOf } from '~~/locales/reading'

/** The household's own foods and ingredients go before the tables of its language. */
const namesFor = async ({ foods = [], ingredients = [] }: Measuring, locale: Locale): Promise<Names> =>
  namesOf(
    [...foods, ...ingredients].flatMap(({ id, name }) => (name === undefined ? [] : [{ id, name }])),
    await readingOf(locale),
  )

/** English names of foods, for those who look for one in another language; messages of the screens are no texts there. */
export const englishNames = (): Record<string, string> =>
  Object.fromEntries(Object.entries(CATALOGUE).map(([id, { name, aliases }]) => [id, `${name},${aliases}`]))

export async function readLines(texts: readonly string[], measuring: Measuring, locale: Locale): Promise<ReadLine[]> {
  const names = await namesFor(measuring, locale)
  return texts.map((text) => readLine(text, names, measuring))
}

/** What everybody means by just these words: “rice” is white rice; null where they are no name. */
export const meantBy = async (words: string, measuring: Measuring, locale: Locale): Promise<string | null> =>
  (await namesFor(measuring, locale)).exact(words)

/** A recipe in whatever it came as a dish; one that we sent out comes back as it was. */
export async function importRecipe(
  text: string,
  pots: PotsToTake,
  measuring: Measuring,
  locale: Locale,
): Promise<Outcome<ImportedDish>> {
  const recipe = readRecipe(text)
  if (!recipe.ok) return recipe
  const own = dishSchema.safeParse(recipe.value.own)
  if (own.success)
    return { ok: true, value: { dish: own.data, lines: [], steps: [], written: [], missing: [], leftOut: [] } }
  const made = dishOfRecipe(recipe.value, await namesFor(measuring, locale), pots, measuring)
  const { lines, stages } = made.dish
  if (lines.length > MOST.dishLines || stages.length > MOST.dishStages)
    return failed(problem('recipe-too-long', '', { ingredients: MOST.dishLines, steps: MOST.dishStages }))
  return { ok: true, value: made }
}

export type RecipeWork = typeof import('./recipe')
