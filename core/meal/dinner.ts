import { answerDish, type DishAnswer } from '../dish/dish'
import type { DishRequest, PotOfStage } from '../dish/dish.schema'
import { isRefused } from '../safety/rules'
import { failed, problem, type Outcome } from '../problem'
import type { Placed } from './figures'
import { leastLater, possible, type Mend, type Wish } from './impossible'
import { planMeal } from './meal'
import type { MealRequest } from './meal.schema'
import { replanMeal, type Begun } from './replan'
import type { MealPlan, Patience } from './schedule'
import { tasksOfDish, type DishTask } from './tasks'

/** How a dish's soak is done for this meal: as it is written, an hour in hot water, or not at all. */
export type SoakWay = 'written' | 'hot' | 'none'

/** A hot soak: an hour in water just off the boil does about what a night does (core/food/soak). */
const HOT_SOAK = { minutes: 60, waterC: 95 }

export interface DinnerDish {
  key: string
  request: DishRequest
  soak: SoakWay
  ahead: boolean
}

/** Several dishes for one hour, with the kitchen that they are cooked in. */
export interface Dinner {
  hands: number
  burners: number
  /** The kitchen's cookers, each as a stage's pot. */
  cookers: Readonly<Record<string, PotOfStage>>
  /** Minutes from serving: nothing starts before it. */
  earliest: number
  dishes: readonly DinnerDish[]
  /** Where the cook has put a task. */
  put: readonly Placed[]
  /** How it was planned before: of plans that are as good the one nearest to it is taken. */
  like: readonly Placed[]
  /** Once it is going on: the minute it is, and what of its tasks was begun. */
  going: { now: number; begunOf: (tasks: readonly DishTask[]) => Begun[] } | null
}

export type DinnerMend =
  | Mend /** Served so many minutes later; 0 at the hour. */
  | { kind: 'soak'; dish: string; how: Exclude<SoakWay, 'written'>; minutes: number }
  | { kind: 'ahead'; dish: string }

export interface DinnerPlan {
  tasks: DishTask[]
  answers: Record<string, DishAnswer>
  plan: MealPlan
  laterMinutes: number
  waiting: string[]
  begun: Begun[]
  /** It is later than was wished, and would not be with another pair of hands. */
  withHands: boolean
}
export type DinnerAnswer =
  { possible: true; dinner: DinnerPlan } | { possible: false; wishes: Wish[]; mends: DinnerMend[]; tasks: DishTask[] }

/** A share of the time for the changes that are looked for in the dishes themselves. */
const TIME_FOR_DISHES = 0.5

/**
 * Plans several dishes for one hour: what each is by itself (`answerDish`), its tasks, and when each of them begins.
 * Where it cannot be, the reason with what would mend it: another soak, another cooker, a dish made ahead, besides what
 * the tasks alone can tell. What a safety rule refuses is never among those.
 */
export function planDinner(dinner: Dinner, patience: Patience): Outcome<DinnerAnswer> {
  const built = requestOf(dinner)
  if (!built.ok) return built
  const { request, tasks, answers } = built.value
  const begun = dinner.going?.begunOf(tasks) ?? []
  const done = (
    plan: MealPlan,
    laterMinutes = 0,
    waiting: string[] = [],
    withHands = false,
  ): Outcome<DinnerAnswer> => ({
    ok: true,
    value: { possible: true, dinner: { tasks, answers, plan, laterMinutes, waiting, begun, withHands } },
  })
  if (dinner.going) {
    const again = replanMeal(request, dinner.going.now, begun, patience, dinner.like)
    if (!again) return failed(problem('meal-not-in-time', 'tasks'))
    const helped =
      again.laterMinutes > 0 &&
      replanMeal({ ...request, hands: request.hands + 1 }, dinner.going.now, begun, patience)?.laterMinutes === 0
    return done(again.plan, again.laterMinutes, again.waiting, helped)
  }
  const answer = planMeal(request, patience, dinner.like)
  if (!answer.ok) return answer
  if (answer.value.possible) return done(answer.value.plan)
  const { wishes, mends } = answer.value
  const end = patience.nowMs() + patience.withinMs * TIME_FOR_DISHES
  const stop = () => patience.stopped?.() === true || patience.nowMs() > end
  return { ok: true, value: { possible: false, wishes, tasks, mends: [...dishMends(dinner, wishes, stop), ...mends] } }
}

interface Built {
  request: MealRequest
  tasks: DishTask[]
  answers: Record<string, DishAnswer>
}

/** A dinner as a meal of tasks; fails where a dish cannot be answered, or must not be cooked as it is. */
function requestOf({ hands, burners, cookers, earliest, dishes, put }: Dinner): Outcome<Built> {
  const tasks: DishTask[] = []
  const answers: Record<string, DishAnswer> = {}
  for (const [i, { key, request, soak, ahead }] of dishes.entries()) {
    const asked = { ...request, dish: withSoak(request.dish, soak) }
    const answer = answerDish(asked)
    if (!answer.ok) return failed(...answer.problems.map((one) => ({ ...one, path: `dishes.${i}.${one.path}` })))
    if (isRefused(answer.value.cautions)) return failed(problem('meal-dish-refused', `dishes.${i}`, { dish: key }))
    const unplanned = answer.value.stages.flatMap(({ problems }) => problems)
    if (unplanned.length > 0) return failed(...unplanned.map((one) => ({ ...one, path: `dishes.${i}.${one.path}` })))
    answers[key] = answer.value
    tasks.push(...tasksOfDish({ key, dish: asked.dish, answer: answer.value, ahead }))
  }
  if (tasks.length === 0) return failed(problem('meal-empty', 'dishes'))
  const putAt = new Map(put.map(({ id, startMinute }) => [id, startMinute]))
  const request: MealRequest = {
    hands,
    burners,
    earliest,
    cookers: [...new Set([...Object.keys(cookers), ...tasks.flatMap(({ cooker }) => cooker ?? [])])],
    tasks: tasks.map((task) => (putAt.has(task.id) ? { ...task, startMinute: putAt.get(task.id)! } : task)),
  }
  return { ok: true, value: { request, tasks, answers } }
}

/** A dish with its soaks done another way. */
export function withSoak(dish: DishRequest['dish'], how: SoakWay): DishRequest['dish'] {
  if (how === 'written') return dish
  const change = how === 'hot' ? HOT_SOAK : { minutes: 0 }
  return {
    ...dish,
    stages: dish.stages.map((stage) => (stage.kind === 'soak' ? { ...stage, ...change } : stage)),
  }
}

function dishMends(dinner: Dinner, wishes: readonly Wish[], stop: () => boolean): DinnerMend[] {
  const blamed = (kind: Wish['kind']) => wishes.some((wish) => wish.kind === kind)
  const changedBy = (changed: DinnerDish) => {
    const dishes = dinner.dishes.map((one) => (one.key === changed.key ? changed : one))
    const built = requestOf({ ...dinner, dishes })
    return built.ok ? built.value.request : null
  }
  const mends: DinnerMend[] = []
  for (const dish of dinner.dishes) {
    const { key, soak, ahead, request } = dish
    const soaks = soak === 'written' && request.dish.stages.some(({ kind }) => kind === 'soak')
    if (blamed('hour') && soaks)
      for (const how of ['hot', 'none'] as const) {
        const changed = changedBy({ ...dish, soak: how })
        const minutes = changed && leastLater(changed, stop)
        if (minutes !== null) mends.push({ kind: 'soak', dish: key, how, minutes })
      }
    if (ahead || blamed('hour')) continue
    const changed = changedBy({ ...dish, ahead: true })
    if (changed && possible(changed, stop) === true) mends.push({ kind: 'ahead', dish: key })
  }
  return mends
}
