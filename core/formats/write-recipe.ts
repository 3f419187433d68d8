import type { Dish } from '../dish/dish.schema'
import type { DishAnswer } from '../dish/dish'
import { OWN_KEY } from './recipe'

/** Minutes as an ISO 8601 duration. */
export const durationOf = (minutes: number) => {
  const whole = Math.max(0, Math.round(minutes))
  const hours = Math.floor(whole / 60)
  const rest = whole % 60
  return `PT${hours > 0 ? `${hours}H` : ''}${rest > 0 || hours === 0 ? `${rest}M` : ''}`
}

/** A dish as a schema.org Recipe (JSON-LD); `stepText` says what a stage is in words. */
export function recipeOfDish(
  dish: Dish,
  answer: DishAnswer | null,
  stepText: (stage: Dish['stages'][number]) => string,
): Record<string, unknown> {
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: dish.name,
    recipeYield: String(dish.servings),
    ...(answer ? { totalTime: durationOf(answer.aheadMinutes), cookTime: durationOf(answer.spanMinutes) } : {}),
    recipeIngredient: dish.lines.map(({ typed }) => typed),
    recipeInstructions: dish.stages.map((stage) => ({ '@type': 'HowToStep', text: stepText(stage) })),
    [OWN_KEY]: dish,
  }
}
