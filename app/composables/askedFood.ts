import { parseIngredient } from 'parse-ingredient'
import { inUse, type Kitchen } from '~~/shared/kitchen'

/** What was asked for: the words that name a food, and how much of it where that was said. */
export interface Asked {
  words: string
  amount: { count: number; unit: string } | null
}

const OZ_IN_LB = 16
const ML_IN_L = 1000
/** Units as the parser calls them, as a pot measures in them: so many of which. */
const UNITS: Readonly<Record<string, [times: number, unit: string]>> = {
  gram: [1, 'g'],
  kilogram: [1, 'kg'],
  ounce: [1, 'oz'],
  pound: [OZ_IN_LB, 'oz'],
  milliliter: [1, 'ml'],
  liter: [ML_IN_L, 'ml'],
  tablespoon: [1, 'tbsp'],
  teaspoon: [1, 'tsp'],
  small: [1, 'piece-small'],
  medium: [1, 'piece-medium'],
  large: [1, 'piece-large'],
}
const CUP = /^cups?$/i

/**
 * Reads “2 cups chickpeas”, “½ kg rajma”, “3 large eggs”, “2 bowls of rice”. What is no amount stays among the words; a
 * number alone counts pieces, or the usual measure of a food that is not counted (an empty unit).
 */
export function readAsked(text: string, { measures, likes }: Pick<Kitchen, 'measures' | 'likes'>): Asked {
  const own = inUse(measures)
  const [found] = parseIngredient(text, {
    decimalSeparator: likes.decimal === 'comma' ? ',' : '.',
    allowLeadingOf: false,
    additionalUOMs: Object.fromEntries(
      own
        .filter(({ name }) => !CUP.test(name))
        .map(({ id, name }) => {
          const short = name.toLowerCase()
          // “Our bowl” is asked for as bowls too.
          const last = short.split(' ').at(-1)!
          return [id, { short, plural: `${short}s`, alternates: [last, `${last}s`] }]
        }),
    ),
  })
  if (!found || found.quantity === null || found.description.trim() === '') return { words: text, amount: null }
  const { quantity, unitOfMeasureID: unit, description } = found
  const words = description.trim()
  if (!unit) return { words, amount: { count: quantity, unit: '' } }
  if (unit === 'cup') {
    const cup = own.find(({ name }) => CUP.test(name))
    return { words, amount: { count: quantity, unit: cup?.id ?? 'cup-240' } }
  }
  if (own.some(({ id }) => id === unit)) return { words, amount: { count: quantity, unit } }
  const known = UNITS[unit]
  return known ? { words, amount: { count: known[0] * quantity, unit: known[1] } } : { words: text, amount: null }
}
