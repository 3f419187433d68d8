import type { Food } from '../food/food.schema'
import type { FoodAnswer } from '../program/answer'
import { yieldOf } from '../program/yield'
import type { DishAnswer } from './dish'

/** What is put away of a dish, and in what. */
export interface Keeping {
  massG: number
  portions: number
  portionG: number
  /** ml of a box for one portion, with room to spare. */
  boxMl: number
  fridgeDays: number
  freezerDays: number
}

// Cautious figures of common food-safety advice; the local authority has the last word.
const FRIDGE_DAYS = 3
/** Rice spoils soonest. */
const FRIDGE_DAYS_OF_RICE = 1
const FREEZER_DAYS = 90
/** Frozen it takes more room than hot (engineering estimate). */
const ROOM = 1.15
const BOX_STEP_ML = 50

/** Portions, boxes and days of so much of what was cooked as is put away. */
export function keepingOf(massG: number, hasRice: boolean, portions: number): Keeping {
  const portionG = massG / portions
  return {
    massG,
    portions,
    portionG,
    boxMl: Math.ceil((portionG * ROOM) / BOX_STEP_ML) * BOX_STEP_ML,
    fridgeDays: hasRice ? FRIDGE_DAYS_OF_RICE : FRIDGE_DAYS,
    freezerDays: FREEZER_DAYS,
  }
}

/** Of so small a share of other things a cooked food is still that food. */
const NEARLY_ALL = 0.85

/** What a g of a dish is when it is an ingredient later: a cooked food, or something cooked of its own. */
export interface Cooked {
  /** The one food that it is, with the dry share of it and the boil-minutes it has had; null for a dish of several. */
  food: { id: string; dryShare: number; boilMinutes: number } | null
  water: number
  salt: number
  fat: number
  /** There is rice in it, which spoils soonest and must be hot through when it is warmed again. */
  hasRice?: true | undefined
}

export function cookedOf({ served, saltShare, massG, liquidG }: DishAnswer): Cooked {
  const [first, ...others] = served.foods
  const dryG = first?.dryG ?? 0
  // A pulse in its own liquid is that pulse; with a gravy or a squash it is a dish.
  const ownG = massG - liquidG
  const isOne = first !== undefined && others.length === 0 && ownG > 0 && first.massG >= NEARLY_ALL * ownG
  return {
    food: isOne ? { id: first.food, dryShare: dryG / massG, boilMinutes: first.gets } : null,
    water: Math.min(1, served.water),
    salt: Math.min(1, saltShare),
    fat: Math.min(1, served.fat),
    ...(served.hasRice ? { hasRice: true as const } : {}),
  }
}

/** Something that was cooked and can be put away. */
export interface Leftover {
  massG: number
  /** For how many it was cooked, or what one eats of it beside other things. */
  portions: number
  cooked: Cooked
}

export const leftoverOfDish = (answer: DishAnswer, servings: number): Leftover => ({
  massG: answer.massG,
  portions: servings,
  cooked: cookedOf(answer),
})

/**
 * What comes out of a pot, drained of what stands around it: all that was cooked in the base together, and each tin by
 * itself, with the places of its foods in the plan. Salt and fat that were put in are not known of a pot, and count as
 * none.
 */
export function leftoversOfPot(
  foods: readonly Pick<FoodAnswer, 'food' | 'dryG' | 'texture' | 'gets' | 'tinWaterG'>[],
  foodOf: (id: string) => Food | undefined,
): { contents: number[]; leftover: Leftover }[] {
  const known = foods.flatMap((answer, content) => {
    const food = foodOf(answer.food)
    return food ? [{ ...answer, content, is: food, ...yieldOf(food, answer.dryG, answer.texture) }] : []
  })
  const base = known.filter(({ tinWaterG }) => tinWaterG === null)
  const tins = known.filter(({ tinWaterG }) => tinWaterG !== null)
  return [base, ...tins.map((one) => [one])]
    .filter((together) => together.length > 0)
    .map((together) => {
      const massG = together.reduce((sum, { cookedG }) => sum + cookedG, 0)
      const dryG = together.reduce((sum, one) => sum + one.dryG, 0)
      const [first] = together
      const hasRice = together.some(({ is }) => is.group === 'rice')
      return {
        contents: together.map(({ content }) => content),
        leftover: {
          massG,
          portions: together.reduce((sum, { portions }) => sum + portions, 0),
          cooked: {
            food:
              together.length === 1
                ? { id: first!.food, dryShare: Math.min(1, dryG / massG), boilMinutes: first!.gets }
                : null,
            water: Math.max(0, 1 - dryG / massG),
            salt: 0,
            fat: 0,
            ...(hasRice ? { hasRice: true as const } : {}),
          },
        },
      }
    })
}
