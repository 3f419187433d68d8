import { leastLater, servedLater } from './impossible'
import type { Placed } from './objective'
import type { MealRequest, Task } from './meal.schema'
import { endOf, type Budget } from './budget'
import { scheduleMeal, type MealPlan } from './schedule'

/** A task that has been begun, and how long it takes by the newest outlook, or took. */
export interface Begun {
  id: string
  startMinute: number
  minutes: number
  done: boolean
}

export interface Replanned {
  /** The meal as it now stands, in minutes from the new hour. */
  request: MealRequest
  plan: MealPlan
  /** So much later than it was planned it is on the table. */
  laterMinutes: number
  /** Dishes that have been begun and now wait for it longer than they were to. */
  waiting: string[]
}

/**
 * The best plan from the middle of a meal: what was begun stays where it is, the rest starts from `now` on, and
 * serving moves only if it must. Waits that have already grown too long are taken as they are. Null where there is
 * no plan, 'stopped' where neither was found in time.
 */
export function replanMeal(
  request: MealRequest,
  now: number,
  begun: readonly Begun[],
  budget: Budget,
  like: readonly Placed[] = [],
): Replanned | null | 'stopped' {
  const end = budget.spent() + budget.most
  const stop = endOf(budget)
  const standing = standingAt(request, now, begun)
  const asWished = leastLater(standing, stop)
  // What is begun is not thrown away: it waits, if there is no other way.
  const { request: eased, dishes } = withWaiting(standing, begun)
  if (asWished === 'stopped') return 'stopped'
  const laterMinutes = asWished ?? leastLater(eased, stop)
  if (laterMinutes === null || laterMinutes === 'stopped') return laterMinutes
  const moved = servedLater(asWished === null ? eased : standing, laterMinutes)
  const nearest = like.map(({ id, startMinute }) => ({ id, startMinute: startMinute - laterMinutes }))
  const plan = scheduleMeal(moved, { ...budget, most: Math.max(1, end - budget.spent()) }, nearest)
  if (plan === null || plan === 'stopped') return plan
  return { request: moved, plan, laterMinutes, waiting: asWished === null ? dishes : [] }
}

/** The meal with the dishes that have been begun waiting as long as they must, and which those are. */
function withWaiting(request: MealRequest, begun: readonly Begun[]): { request: MealRequest; dishes: string[] } {
  const begunIds = new Set(begun.map(({ id }) => id))
  const dishes = [...new Set(request.tasks.filter(({ id }) => begunIds.has(id)).map(({ dish }) => dish))]
  const tasks = request.tasks.map((task) =>
    dishes.includes(task.dish) && !begunIds.has(task.id)
      ? { ...task, untilServe: undefined, after: task.after.map(({ max: _, ...after }) => after) }
      : task,
  )
  return { request: { ...request, tasks }, dishes }
}

/** The meal with what has happened: begun tasks where they were begun, and no wish that has already passed. */
function standingAt(request: MealRequest, now: number, begun: readonly Begun[]): MealRequest {
  const known = new Map(begun.map((one) => [one.id, one]))
  const endOf = ({ id, startMinute, minutes, done }: Begun): number => {
    const end = done ? startMinute + minutes : Math.max(startMinute + minutes, now)
    // What comes after it and has been begun shows that it was over.
    const followers = request.tasks.filter(({ after }) => after.some(({ task }) => task === id))
    const begunAfter = followers.flatMap((task) => known.get(task.id)?.startMinute ?? [])
    return Math.max(startMinute, Math.min(end, ...begunAfter))
  }
  const ends = new Map(begun.map((one) => [one.id, endOf(one)]))
  const isOver = (id: string) => (ends.get(id) ?? Infinity) <= now
  const helping = (request.helpers ?? []).filter(({ from, until }) => from <= now && now < until)
  let hands = request.hands + helping.length
  let burners = request.burners
  const asBegun = (task: Task, { startMinute }: Begun): Task => {
    const over = isOver(task.id)
    const held = task.keepsCookerUntil === undefined ? over : isOver(task.keepsCookerUntil)
    return {
      ...task,
      startMinute,
      minutes: ends.get(task.id)! - startMinute,
      // More at once than was planned is going on: so it is, and no reason to have no plan.
      hands: !over && task.hands && hands-- > 0 ? 1 : 0,
      burner: !over && task.burner && burners-- > 0 ? 1 : 0,
      critical: false,
      cooker: held ? null : task.cooker,
      untilServe: undefined,
      after: task.after
        .filter(({ task: before }) => (ends.get(before) ?? Infinity) <= startMinute)
        .map(({ task: before }) => ({ task: before })),
    }
  }
  const asAhead = (task: Task): Task => ({
    ...task,
    after: task.after.map((after) => {
      const end = ends.get(after.task)
      if (end === undefined || after.max === undefined) return after
      return { ...after, max: Math.max(after.max, after.min ?? 0, now - end) }
    }),
  })
  const tasks = request.tasks.map((task) => {
    const own = known.get(task.id)
    return own ? asBegun(task, own) : asAhead(task)
  })
  return { ...request, now: Math.max(now, request.now ?? now), tasks }
}
