import { BOUNDS } from '../core/bounds'
import type { TaskPart } from '../core/names'
import { HOUR_MS, MINUTE_MS } from '../core/measure/time'
import type { DishDocument } from './dish'
import type { Meal, MealDish, MealTask } from './meal.schema'
import { MEAL_SHAPE } from './shapes'

export type { Meal, MealDish, MealTask } from './meal.schema'

/** Letters by which the dishes of a meal are told. */
export const LETTERS = 'ABCDEFGHIJKL'
/** A meal is the day's until so long after its hour. */
const OVER_AFTER_MS = 3 * HOUR_MS

export const newMeal = (servedAt: number): Meal => ({
  shape: MEAL_SHAPE,
  servedAt,
  hands: 1,
  dishes: [],
  put: [],
  tasks: [],
  begun: {},
  runs: {},
  servedOn: null,
})

/** Minutes from serving of a moment, and the moment of a minute. */
export const minuteOf = ({ servedAt }: Pick<Meal, 'servedAt'>, ms: number) => Math.floor((ms - servedAt) / MINUTE_MS)
export const momentOf = ({ servedAt }: Pick<Meal, 'servedAt'>, minute: number) => servedAt + minute * MINUTE_MS

/** True while the day is this meal's. */
export const isCurrent = ({ servedAt, servedOn }: Meal, nowMs: number) =>
  servedOn === null && nowMs < servedAt + OVER_AFTER_MS

/** A meal with one dish more, under the first letter that is free. */
export function withDish(meal: Meal, dish: DishDocument, dishId: string | null): Meal {
  const key = [...LETTERS].find((letter) => !meal.dishes.some((one) => one.key === letter))
  if (key === undefined) return meal
  return { ...meal, dishes: [...meal.dishes, { key, dishId, dish, soak: 'written', ahead: false }] }
}

/**
 * A meal at another hour. What was planned stays at its moment: a soak that would have had to begin before now for the
 * new hour has not begun.
 */
export function atHour(meal: Meal, servedAt: number): Meal {
  const by = Math.round((meal.servedAt - servedAt) / MINUTE_MS)
  const [least, most] = BOUNDS.mealMinute
  const within = (minute: number) => Math.min(most, Math.max(least, minute))
  const tasks = meal.tasks.map((task) => ({ ...task, startMinute: within(task.startMinute + by) }))
  return { ...meal, servedAt, tasks }
}

/** A meal without a dish, and without all that was said of its tasks. */
export function withoutDish(meal: Meal, key: string): Meal {
  const isOther = (id: string) => !id.startsWith(`${key}.`)
  const others = <T>(of: Record<string, T>) => Object.fromEntries(Object.entries(of).filter(([id]) => isOther(id)))
  return {
    ...meal,
    dishes: meal.dishes.filter((one) => one.key !== key).map((one) => (one.inPotOf === key ? apart(one) : one)),
    put: meal.put.filter(({ id }) => isOther(id)),
    tasks: meal.tasks.filter(({ dish }) => dish !== key),
    begun: others(meal.begun),
    runs: others(meal.runs),
  }
}

/** A dish in a pot of its own again. */
export const apart = ({ inPotOf: _, ...dish }: MealDish): MealDish => dish

export const changeDish = (meal: Meal, key: string, part: Partial<MealDish>): Meal => ({
  ...meal,
  dishes: meal.dishes.map((one) => (one.key === key ? { ...one, ...part } : one)),
})

/**
 * What two devices have done to the same meal at once: whatever either has begun or ended holds; of what is wished, what
 * this one has changed since `base`, and otherwise what stands there now.
 */
export function mergedMeals(base: Meal, theirs: Meal, ours: Meal): Meal {
  const changed = (key: keyof Meal) => JSON.stringify(ours[key]) !== JSON.stringify(base[key])
  const wished = (['servedAt', 'hands', 'helpers', 'dishes', 'put', 'servedOn'] as const).filter(changed)
  return {
    ...theirs,
    ...Object.fromEntries(wished.map((key) => [key, ours[key]])),
    // Planned anew from what was merged in a moment.
    ...(wished.length > 0 ? { tasks: ours.tasks } : {}),
    begun: { ...theirs.begun, ...ours.begun },
    runs: { ...theirs.runs, ...ours.runs },
  }
}

/** What a lit pot calls for itself. */
const STOVE_TELLS: readonly TaskPart[] = ['close', 'turn', 'off', 'open']

/** The first thing that the cook is to do and has not: what a lit pot calls for itself is left to it. */
export function nextStep({ tasks, begun, runs }: Meal): MealTask | null {
  const isOpen = ({ id, dish, stage, part, hands, passive }: MealTask) => {
    const lit = runs[`${dish}.${stage}`] !== undefined
    return (hands === 1 || passive === true) && !begun[id] && !(lit && STOVE_TELLS.includes(part))
  }
  return tasks.filter(isOpen).sort((a, b) => a.startMinute - b.startMinute)[0] ?? null
}
