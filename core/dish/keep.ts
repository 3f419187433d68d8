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

/** Portions, boxes and days of so much of a dish as is put away. */
export function keepingOf(
  { massG, served: { hasRice } }: Pick<DishAnswer, 'massG' | 'served'>,
  portions: number,
): Keeping {
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
