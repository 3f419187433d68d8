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
export function keepingOf({ massG }: Pick<DishAnswer, 'massG'>, portions: number, hasRice: boolean): Keeping {
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
