import type { MealRequest, Task } from './meal.schema'
import { modelOf } from './model'
import { MOST_WAITING_MINUTES } from './tasks'
import { endOf, type Budget } from './budget'

/** Something that is wished of a meal and could be given up. */
export type Wish =
  /** Nothing starts before the earliest minute (or now): it is all to be ready at the hour. */
  | { kind: 'hour' }
  | { kind: 'hands' }
  | { kind: 'burners' }
  | { kind: 'cooker'; cooker: string }
  /** The dish is not to wait longer than it may until it is served. */
  | { kind: 'served-in-time'; dish: string }
  /** One thing follows the other without a longer break. */
  | { kind: 'without-break'; dish: string }
  /** The cook has put it there. */
  | { kind: 'put'; task: string }

/** One change after which there is a plan. */
export type Repair =
  | { kind: 'later'; minutes: number }
  | { kind: 'hands'; hands: number }
  | { kind: 'burners'; burners: number }
  | { kind: 'other-cooker'; dish: string; from: string; to: string }
  | { kind: 'not-put'; task: string }
  | { kind: 'waits-longer'; dish: string }

export interface Impossible {
  /** They cannot be had together; without any one of them there is a plan. */
  wishes: Wish[]
  /** Each helps by itself; the first is the least that is given up. */
  repairs: Repair[]
  /** Every single change was decided: where none is named none helps. Otherwise it has to be looked further. */
  isWhole: boolean
}

/** A week: later than that is no answer. */
const MOST_LATER_MINUTES = 10_080

/** Whether there is a plan at all; null where that was not found out in time. */
export function possible(request: MealRequest, stop: () => boolean): boolean | null {
  const outcome = modelOf(request).search.solve([], stop)
  return outcome === 'stopped' ? null : outcome === 'found'
}

/**
 * Why a meal cannot be: the smallest set of wishes that exclude each other (each is left out in turn, and stays out
 * if the rest is still impossible), and what alone would repair it.
 */
export function whyImpossible(request: MealRequest, budget: Budget): Impossible {
  // Each of the two questions has its time.
  const stop = endOf(budget)
  let kept = wishesOf(request)
  let isWhole = true
  for (const wish of kept) {
    const others = kept.filter((one) => one !== wish)
    const without = possible(onlyWith(request, others), stop)
    if (without === false) kept = others
    if (without === null) isWhole = false
  }
  const repairs = repairsOf(request, kept, endOf(budget))
  return { wishes: kept, repairs: repairs.found, isWhole: isWhole && repairs.isWhole }
}

/** What could be given up, that which a cook gives up last first. */
function wishesOf({ tasks, cookers }: MealRequest): Wish[] {
  const dishes = [...new Set(tasks.map(({ dish }) => dish))]
  return [
    ...dishes.map((dish) => ({ kind: 'without-break', dish }) as const),
    ...dishes
      .filter((dish) => tasks.some((task) => task.dish === dish && task.untilServe !== undefined))
      .map((dish) => ({ kind: 'served-in-time', dish }) as const),
    ...cookers.map((cooker) => ({ kind: 'cooker', cooker }) as const),
    { kind: 'burners' },
    { kind: 'hands' },
    { kind: 'hour' },
    ...tasks
      .filter(({ startMinute }) => startMinute !== undefined)
      .map(({ id }) => ({ kind: 'put', task: id }) as const),
  ]
}

/** The request with all other wishes given up. */
export function onlyWith(request: MealRequest, wishes: readonly Wish[]): MealRequest {
  const has = (kind: Wish['kind'], of?: string) =>
    wishes.some(
      (wish) =>
        wish.kind === kind &&
        (of === undefined || Object.entries(wish).some(([key, value]) => key !== 'kind' && value === of)),
    )
  const enough = request.tasks.length
  return {
    ...request,
    hands: has('hands') ? request.hands : enough,
    burners: has('burners') ? request.burners : enough,
    earliest: has('hour') ? request.earliest : -MOST_LATER_MINUTES * 2,
    now: has('hour') ? request.now : undefined,
    tasks: request.tasks.map((task) => ({
      ...task,
      // With hands enough for all, none is busy with a release alone.
      critical: has('hands') && task.critical,
      cooker: task.cooker && has('cooker', task.cooker) ? task.cooker : null,
      untilServe: has('served-in-time', task.dish) ? task.untilServe : undefined,
      startMinute: has('put', task.id) ? task.startMinute : undefined,
      after: task.after.map(({ max, ...after }) => (has('without-break', task.dish) ? { ...after, max } : after)),
    })),
  }
}

function repairsOf(
  request: MealRequest,
  wishes: readonly Wish[],
  stop: () => boolean,
): { found: Repair[]; isWhole: boolean } {
  let isWhole = true
  const can = (changed: MealRequest) => {
    const is = possible(changed, stop)
    if (is === null) isWhole = false
    return is === true
  }
  const repairs: Repair[] = []
  for (const wish of [...wishes].reverse())
    switch (wish.kind) {
      case 'put':
        if (can(withTasks(request, ({ id }) => id === wish.task, { startMinute: undefined })))
          repairs.push({ kind: 'not-put', task: wish.task })
        break
      case 'hour': {
        const minutes = leastLater(request, stop)
        if (minutes === 'stopped') isWhole = false
        else if (minutes !== null) repairs.push({ kind: 'later', minutes })
        break
      }
      case 'hands': {
        const hands = leastMore((more) => can({ ...request, hands: request.hands + more }))
        if (hands) repairs.push({ kind: 'hands', hands: request.hands + hands })
        break
      }
      case 'burners': {
        const burners = leastMore((more) => can({ ...request, burners: request.burners + more }))
        if (burners) repairs.push({ kind: 'burners', burners: request.burners + burners })
        break
      }
      case 'cooker':
        repairs.push(...otherCookers(request, wish.cooker).filter((repair) => can(withOtherCooker(request, repair))))
        break
      case 'served-in-time':
        if (can(withTasks(request, ({ dish, untilServe }) => dish === wish.dish && untilServe !== undefined, LONGER)))
          repairs.push({ kind: 'waits-longer', dish: wish.dish })
        break
      case 'without-break':
        // What must not cool, or stand, between two stages: giving that up is no advice.
        break
    }
  return { found: repairs, isWhole }
}

/** How long a dish stands that may wait. */
const LONGER = { untilServe: MOST_WAITING_MINUTES }

/** More hands or burners than so many nobody finds. */
const MOST_MORE = 3

function leastMore(can: (more: number) => boolean): number | null {
  for (let more = 1; more <= MOST_MORE; more++) if (can(more)) return more
  return null
}

type OtherCooker = Extract<Repair, { kind: 'other-cooker' }>

function otherCookers({ tasks, cookers }: MealRequest, from: string): OtherCooker[] {
  const dishes = [...new Set(tasks.filter(({ cooker }) => cooker === from).map(({ dish }) => dish))]
  return dishes.flatMap((dish) =>
    cookers.filter((to) => to !== from).map((to) => ({ kind: 'other-cooker' as const, dish, from, to })),
  )
}

function withOtherCooker(request: MealRequest, { dish, from, to }: OtherCooker): MealRequest {
  return withTasks(request, (task) => task.dish === dish && task.cooker === from, { cooker: to })
}

function withTasks(request: MealRequest, which: (task: Task) => boolean, changed: Partial<Task>): MealRequest {
  return { ...request, tasks: request.tasks.map((task) => (which(task) ? { ...task, ...changed } : task)) }
}

/** The request as it stands when serving is so many minutes later. */
export function servedLater(request: MealRequest, minutes: number): MealRequest {
  return {
    ...request,
    earliest: request.earliest - minutes,
    now: request.now === undefined ? undefined : request.now - minutes,
    helpers: request.helpers?.map(({ from, until }) => ({ from: from - minutes, until: until - minutes })),
    tasks: request.tasks.map((task) =>
      task.startMinute === undefined ? task : { ...task, startMinute: task.startMinute - minutes },
    ),
  }
}

/** The fewest minutes by which serving must be later for there to be a plan; null where a week does not do, 'stopped' where that was not found out. */
export function leastLater(request: MealRequest, stop: () => boolean): number | null | 'stopped' {
  const { search, later } = modelOf(request, MOST_LATER_MINUTES)
  const first = search.solve([], stop)
  if (first !== 'found') return first === 'none' ? null : 'stopped'
  let least = later.least()
  let enough = MOST_LATER_MINUTES
  // Most meals are late by little: it is looked for from the least on, in steps that grow.
  for (let step = 0; least < enough; step = 2 * step + 1) {
    const tried = Math.min(least + step, enough - 1)
    const outcome = search.solve([later.atMost(tried)], stop)
    if (outcome === 'stopped') return 'stopped'
    if (outcome === 'found') {
      enough = tried
      step = 0
    } else least = tried + 1
  }
  return enough
}
