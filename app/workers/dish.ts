import type { DishRequest, PotOfStage, PotSettings } from '~~/core/dish/dish.schema'
import { dishSchema } from '~~/core/dish/dish.schema'
import { answerDish } from '~~/core/dish/dish'
import { elsewhere } from '~~/core/dish/elsewhere'
import { forgotten, standInsFor } from '~~/core/dish/instead'
import { scaled, waysToFit, type Straight } from '~~/core/dish/scale'
import { readLine, type Measuring, type ReadLine } from '~~/core/formats/line'
import { readRecipe } from '~~/core/formats/recipe'
import { dishOfRecipe, type ImportedDish } from '~~/core/formats/recipe-dish'
import type { Outcome } from '~~/core/problem'
import { namesOf } from '~~/locales/names'

/** The household's own foods go before the table. */
const namesFor = ({ foods = [] }: Measuring) =>
  namesOf(foods.flatMap(({ id, name }) => (name === undefined ? [] : [{ id, name }])))

const readLines = (texts: readonly string[], measuring: Measuring): ReadLine[] => {
  const names = namesFor(measuring)
  return texts.map((text) => readLine(text, names, measuring))
}

/** A recipe in whatever it came as a dish; one that we sent out comes back as it was. */
function importRecipe(text: string, settings: PotSettings, measuring: Measuring): Outcome<ImportedDish> {
  const recipe = readRecipe(text)
  if (!recipe.ok) return recipe
  const own = dishSchema.safeParse(recipe.value.own)
  if (own.success) return { ok: true, value: { dish: own.data, lines: [], written: [] } }
  return { ok: true, value: dishOfRecipe(recipe.value, namesFor(measuring), settings, measuring) }
}

/** A dish for so many, with what becomes of it, and how it fits where it no longer does. */
function dishFor(
  request: DishRequest,
  servings: number,
  straight: Straight,
  others: Readonly<Record<string, PotOfStage>>,
) {
  const changed = scaled(request, servings, straight)
  if (!changed.ok) return changed
  const answer = answerDish(changed.value)
  if (!answer.ok) return answer
  return {
    ok: true as const,
    value: { dish: changed.value.dish, answer: answer.value, ways: waysToFit(changed.value, others) },
  }
}

export { answerDish, dishFor, elsewhere, forgotten, importRecipe, readLines, standInsFor }

export type DishWork = typeof import('./dish')
