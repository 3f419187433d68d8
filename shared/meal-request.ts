import { heatsItself } from '../core/appliance/appliance'
import type { PotSettings } from '../core/dish/dish.schema'
import type { Believed } from '../core/learn/posterior'
import type { Dinner } from '../core/meal/dinner-tasks'
import { progressOf, type Mark, type PotFacts } from '../core/meal/progress'
import type { DishTask } from '../core/meal/tasks'
import { styleIn, type DinnerWay } from '../core/meal/ways'
import { dishRequestOf, potOfStage, usualPot } from './dish'
import { inUse, type Kitchen } from './kitchen'
import { changeDish, minuteOf, type Meal } from './meal'

// A meal as a request to plan it. Apart from the meal itself: the day shows one that it does not plan.

/** No plan reaches further back from serving. */
const EARLIEST_MINUTE = -2880

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
