import type { Dish } from '../dish/dish.schema'
import type { DishAnswer } from '../dish/dish'
import { STAGES } from '../dish/stages'
import { OWN_PROPERTY } from './recipe'

/** Minutes as an ISO 8601 duration. */
export const durationOf = (minutes: number) => {
  const whole = Math.max(0, Math.round(minutes))
  const hours = Math.floor(whole / 60)
  const rest = whole % 60
  return `PT${hours > 0 ? `${hours}H` : ''}${rest > 0 || hours === 0 ? `${rest}M` : ''}`
}

/** What goes out with a dish besides its figures, in words. */
export interface RecipeWords {
  /** What is done in each stage, a sentence each; none of a stage that cannot be worked out. */
  steps: { name: string; sentences: string[] }[]
  /** For which cookers, and at which altitude, the figures were worked out. */
  workedOutFor: string
  cookers: string[]
  /** The household that it comes from. */
  author: string
  /** The language in which the steps are told (BCP 47); the lines stay as they were typed. */
  language: string
  /** Where a picture of it stands. */
  image?: string
}

/** g of sodium in a g of table salt (its share of the molar mass: 22.99 of 58.44). */
const SODIUM_SHARE = 0.393

/**
 * A dish as a schema.org Recipe (JSON-LD) from which another kitchen can cook. Salt is told as it is eaten: what went out
 * with water is not counted.
 */
export function recipeOfDish(dish: Dish, answer: DishAnswer | null, words: RecipeWords): Record<string, unknown> {
  const sections = words.steps.filter(({ sentences }) => sentences.length > 0)
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: dish.name,
    description: words.workedOutFor,
    author: { '@type': 'Organization', name: words.author },
    inLanguage: words.language,
    ...(words.image ? { image: words.image } : {}),
    recipeYield: String(dish.servings),
    ...(answer ? timesOf(dish, answer) : {}),
    tool: words.cookers,
    recipeIngredient: dish.lines.map(({ typed }) => typed),
    recipeInstructions: sections.map(({ name, sentences }) => ({
      '@type': 'HowToStep',
      name,
      text: sentences.map((one) => (/[.!?:]$/.test(one) ? one : `${one}.`)).join(' '),
    })),
    ...(answer && answer.massG > 0
      ? {
          nutrition: {
            '@type': 'NutritionInformation',
            servingSize: `${Math.round(answer.massG / dish.servings)} g`,
            sodiumContent: `${Math.round((answer.saltG * SODIUM_SHARE * 1000) / dish.servings)} mg`,
          },
        }
      : {}),
    // All of it, for whoever knows this program; others pass it over.
    additionalProperty: { '@type': 'PropertyValue', propertyID: OWN_PROPERTY, value: JSON.stringify(dish) },
  }
}

/** Cutting and measuring, what is on the heat, and all of it with its soaks. */
function timesOf(dish: Dish, { stages, spanMinutes, aheadMinutes }: DishAnswer) {
  const isPrepared = (id: string) => {
    const stage = dish.stages.find((one) => one.id === id)
    return stage !== undefined && !STAGES[stage.kind].passive && STAGES[stage.kind].vessel === 'board'
  }
  const prepMinutes = stages.reduce((sum, { id, minutes }) => sum + (isPrepared(id) ? minutes : 0), 0)
  return {
    prepTime: durationOf(prepMinutes),
    cookTime: durationOf(Math.max(0, spanMinutes - prepMinutes)),
    totalTime: durationOf(aheadMinutes),
  }
}
