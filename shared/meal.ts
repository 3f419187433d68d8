import { BOUNDS } from '../core/bounds'
import type { Dinner } from '../core/meal/dinner-tasks'
import { styleIn, type DinnerWay } from '../core/meal/ways'
import { progressOf, type Mark, type PotFacts } from '../core/meal/progress'
import type { DishTask } from '../core/meal/tasks'
import type { TaskPart } from '../core/names'
import { heatsItself } from '../core/appliance/appliance'
import type { PotSettings } from '../core/dish/dish.schema'
import { HOUR_MS, MINUTE_MS } from '../core/measure/time'
import type { Believed } from '../core/learn/posterior'
import { dishRequestOf, potOfStage, usualPot, type DishDocument } from './dish'
import { inUse, type Kitchen } from './kitchen'
import type { Meal, MealDish, MealTask } from './meal.schema'
import { MEAL_SHAPE } from './shapes'

export type { Meal, MealDish, MealTask } from './meal.schema'

/** Letters by which the dishes of a meal are told. */
export const LETTERS = 'ABCDEFGHIJKL'
/** No plan reaches further back from serving. */
const EARLIEST_MINUTE = -2880
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

/** A meal with one of its dishes done otherwise. */
export function changedBy(meal: Meal, way: DinnerWay, kitchen: Kitchen): Meal {
  switch (way.kind) {
    case 'soak':
      return changeDish(meal, way.dish, { soak: way.how })
    case 'ahead':
      return changeDish(meal, way.dish, { ahead: true })
    case 'in-pot':
      return changeDish(meal, way.dish, { inPotOf: way.host })
    case 'pot': {
      const { dish } = meal.dishes.find(({ key }) => key === way.dish) ?? {}
      if (!dish) return meal
      const on = (settings: PotSettings): PotSettings => {
        const moved = { ...settings, cookerId: way.cookerId, burnerId: way.burnerId ?? '' }
        const pot = potOfStage(moved, kitchen)
        return pot ? { ...moved, style: styleIn(moved.style, pot) } : settings
      }
      const stages = dish.stages.map((stage) =>
        stage.id === way.stage && stage.pot ? { ...stage, pot: on(stage.pot) } : stage,
      )
      return changeDish(meal, way.dish, { dish: { ...dish, stages } })
    }
  }
}

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

/** What was ticked off, in minutes from serving. */
const marksOf = (meal: Meal): Record<string, Mark> =>
  Object.fromEntries(
    Object.entries(meal.begun).map(([id, { at, doneAt }]) => [
      id,
      { startMinute: minuteOf(meal, at), doneMinute: doneAt === null ? null : minuteOf(meal, doneAt) },
    ]),
  )

export interface AskedDinner {
  dinner: Omit<Dinner, 'going'>
  /** Where things stand, once the first of it was to begin: the plan so far, what was ticked off, what the pots tell. */
  stands: {
    now: number
    planned: [id: string, startMinute: number][]
    marks: Record<string, Mark>
    pots: Record<string, PotFacts>
  } | null
}

/** A meal as it is planned in this kitchen at this moment; null where there is nothing to plan, or nothing to cook with. */
export function dinnerOf(
  meal: Meal,
  kitchen: Kitchen,
  nowMs: number,
  pots: Record<string, PotFacts> = {},
  believed: Believed | null = null,
): AskedDinner | null {
  const dishes = meal.dishes.flatMap(({ key, dish, soak, ahead, inPotOf, waits, servedBefore }) => {
    const request = dishRequestOf(dish, kitchen, nowMs, believed)
    return request ? [{ key, request, soak, ahead, inPotOf, waits, servedBefore }] : []
  })
  if (dishes.length === 0) return null
  const burners = inUse(kitchen.burners)
  const potsOnBurners = inUse(kitchen.cookers).flatMap(({ id: cookerId, cooker }) => {
    const on = heatsItself(cooker.appliance) ? [null] : burners.map(({ id }) => id)
    return on.flatMap((burnerId) => {
      const pot = potOfStage({ ...usualPot(kitchen), cookerId, burnerId: burnerId ?? '' }, kitchen, believed)
      return pot ? [{ cookerId, burnerId, pot }] : []
    })
  })
  const now = minuteOf(meal, nowMs)
  const first = Math.min(...meal.tasks.map(({ startMinute }) => startMinute))
  const isOn = Object.keys(meal.begun).length > 0 || Object.keys(meal.runs).length > 0 || now >= first
  return {
    dinner: {
      hands: meal.hands,
      helpers: (meal.helpers ?? []).map(({ from, until }) => ({
        from: minuteOf(meal, from),
        until: minuteOf(meal, until),
      })),
      burners: burners.length,
      pots: potsOnBurners,
      tins: { tins: inUse(kitchen.tins).map(({ name: _, away: __, ...tin }) => tin) },
      earliest: Math.min(0, isOn ? EARLIEST_MINUTE : Math.max(EARLIEST_MINUTE, now + 1)),
      dishes,
      put: meal.put,
      like: meal.tasks.map(({ id, startMinute }) => ({ id, startMinute })),
    },
    stands:
      meal.tasks.length > 0 && isOn
        ? {
            now: now + 1,
            planned: meal.tasks.map(({ id, startMinute }) => [id, startMinute]),
            marks: marksOf(meal),
            pots,
          }
        : null,
  }
}

/** What of the tasks has been begun, as things stand. */
export function begunOf(tasks: readonly DishTask[], stands: NonNullable<AskedDinner['stands']>) {
  return progressOf(tasks, new Map(stands.planned), stands.marks, stands.pots, stands.now)
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
