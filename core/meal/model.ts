import { LATE_MINUTES, lasts, type Placed } from './objective'
import type { MealRequest, Task } from './meal.schema'
import { SumRule, TimetableRule, WindowRule, type Use } from './rules'
import { Search, type Bound } from './search'

/** Something to be made small: the literal "at most this", and the least it can be as far as is known. */
export interface Objective {
  atMost(value: number): Bound
  least(): number
}

export interface MealModel {
  search: Search
  objectives: { handsLateMinutes: Objective; spanMinutes: Objective; holdingMinutes: Objective }
  /** By how much serving is later than the hour; always 0 unless it may be. */
  later: Objective
  placed(): Placed[]
}

/** Further than any meal reaches. */
const FAR = 100_000

/**
 * A meal as numbers, rules and what is to be made small: its tasks' starts, in minutes from the hour. Serving may be
 * up to `mostLater` minutes after it; the other objectives are only meant where that is 0. Of plans that are as good
 * the one nearest to `like` is looked at first.
 */
export function modelOf(request: MealRequest, mostLater = 0, like: readonly Placed[] = []): MealModel {
  const { tasks, hands, burners, helpers = [], emptyMinutes = 0 } = request
  const earliest = Math.max(request.earliest, request.now ?? -FAR)
  const search = new Search()
  const starts = new Map<string, number>()
  const served = search.number(0, mostLater, 0)
  const liked = new Map(like.map(({ id, startMinute }) => [id, startMinute]))
  for (const task of tasks) {
    const { startMinute: at, minutes, untilServe, servedBefore = 0 } = task
    const start =
      at === undefined ? search.number(earliest, mostLater - minutes, liked.get(task.id)) : search.number(at, at)
    search.precedes(start, served, minutes + servedBefore)
    if (untilServe !== undefined) search.precedes(served, start, -minutes - untilServe - servedBefore)
    starts.set(task.id, start)
  }
  const startOf = (id: string) => starts.get(id)!
  const byId = new Map(tasks.map((task) => [task.id, task]))
  const minutesOf = (id: string) => byId.get(id)!.minutes

  for (const task of tasks)
    for (const { task: before, min = 0, max } of task.after) {
      search.precedes(startOf(before), startOf(task.id), minutesOf(before) + min)
      if (max !== undefined) search.precedes(startOf(task.id), startOf(before), -minutesOf(before) - max)
    }

  const inOrder = orderOf(request)
  /** One of the two is over before the other begins: a number that is 1 where the first goes first. */
  const apart = (a: Stretch, b: Stretch, gap = 0) => {
    if (inOrder(a.until, b.from) || inOrder(b.until, a.from)) return
    const first = search.number(0, 1, 0)
    search.precedes(startOf(a.until), startOf(b.from), minutesOf(a.until) + gap, { side: 2 * first, value: 1 })
    search.precedes(startOf(b.until), startOf(a.from), minutesOf(b.until) + gap, { side: 2 * first + 1, value: 0 })
  }
  /** A resource of which there is only so much. */
  const share = (users: { task: Task; demand: number }[], capacity: number, taken: readonly Use[] = []) => {
    const alone = ({ demand }: { demand: number }, other: { demand: number }) => demand + other.demand > capacity
    users.forEach((user, i) => {
      for (const other of users.slice(0, i)) if (alone(user, other)) apart(stretchOf(other.task), stretchOf(user.task))
    })
    const own = users.map(({ task, demand }) => ({ start: startOf(task.id), minutes: task.minutes, demand }))
    const uses: Use[] = [...own, ...taken]
    if (taken.length > 0 || users.some((user, i) => users.slice(0, i).some((other) => !alone(user, other)))) {
      const rule = new TimetableRule(uses, capacity)
      search.rule(rule, rule.sides)
    }
    if (users.some(({ demand }) => demand > capacity)) search.require(2 * served, mostLater + 1)
  }
  const working = tasks.filter(({ minutes }) => minutes > 0)
  share(
    working.filter((task) => task.hands).map((task) => ({ task, demand: task.critical ? Math.max(1, hands) : 1 })),
    hands + helpers.length,
    // Before they come and after they have gone their hands are taken.
    helpers.flatMap(({ from, until }): Use[] => [
      { start: search.number(-FAR, -FAR), minutes: from + FAR, demand: 1 },
      { start: search.number(until, until), minutes: FAR - until, demand: 1 },
    ]),
  )
  share(
    working.filter((task) => task.burner).map((task) => ({ task, demand: 1 })),
    burners,
  )
  const held = stretchesOfCookers(request)
  held.forEach((stretch, i) => {
    for (const other of held.slice(0, i))
      if (other.cooker === stretch.cooker) apart(other, stretch, other.dish === stretch.dish ? 0 : emptyMinutes)
  })

  const late = tasks.filter((task) => task.hands && task.minutes > 0)
  const handsLate = search.number(0, FAR, 0)
  const lateRule = new SumRule(
    handsLate,
    late.map(({ id, minutes }) => {
      const least = -LATE_MINUTES - minutes
      return { side: 2 * startOf(id), times: 1, least, most: least + Math.min(minutes, LATE_MINUTES) }
    }),
    late.reduce((sum, { minutes }) => sum + LATE_MINUTES + minutes, 0),
  )
  search.rule(lateRule, lateRule.sides)

  if (hands === 1 && helpers.length === 0) {
    const uses = late.map(({ id, minutes }) => ({ start: startOf(id), minutes, demand: 1 }))
    const windows = new WindowRule(uses, handsLate, LATE_MINUTES)
    search.rule(windows, windows.sides)
  }

  const firstStart = search.number(-FAR, 0)
  for (const task of tasks) if (!task.passive) search.precedes(firstStart, startOf(task.id), 0)

  const holding = search.number(0, FAR, 0)
  const { times, plus } = holdingOf(tasks)
  const holdingRule = new SumRule(
    holding,
    [...times].flatMap(([id, by]) =>
      by === 0 ? [] : [{ side: 2 * startOf(id) + (by > 0 ? 0 : 1), times: Math.abs(by) }],
    ),
    plus,
  )
  search.rule(holdingRule, holdingRule.sides)

  return {
    search,
    objectives: {
      handsLateMinutes: {
        atMost: (value) => ({ side: 2 * handsLate + 1, value: -value }),
        least: () => search.least(handsLate),
      },
      spanMinutes: {
        atMost: (value) => ({ side: 2 * firstStart, value: -value }),
        least: () => -search.most(firstStart),
      },
      holdingMinutes: {
        atMost: (value) => ({ side: 2 * holding + 1, value: -value }),
        least: () => search.least(holding),
      },
    },
    later: {
      atMost: (value) => ({ side: 2 * served + 1, value: -value }),
      least: () => search.least(served),
    },
    placed: () => tasks.map(({ id }) => ({ id, startMinute: search.solution![startOf(id)]! })),
  }
}

/** From the start of one task to the end of one, which may be the same. */
interface Stretch {
  from: string
  until: string
}

const stretchOf = ({ id }: Task): Stretch => ({ from: id, until: id })

/** While what each cooker is taken. */
function stretchesOfCookers(request: MealRequest): (Stretch & { cooker: string; dish: string })[] {
  const inOrder = orderOf(request)
  const keepers = request.tasks.filter(({ cooker, keepsCookerUntil }) => cooker && keepsCookerUntil)
  const within = (task: Task) =>
    keepers.some(
      ({ id, cooker, keepsCookerUntil }) =>
        cooker === task.cooker &&
        id !== task.id &&
        inOrder(id, task.id) &&
        (task.id === keepsCookerUntil || inOrder(task.id, keepsCookerUntil!)),
    )
  return request.tasks
    .filter((task) => task.cooker && !within(task))
    .map(({ id, dish, cooker, keepsCookerUntil }) => ({
      from: id,
      until: keepsCookerUntil ?? id,
      cooker: cooker!,
      dish,
    }))
}

/** Whether one task is over before another begins, by what comes after what. */
function orderOf({ tasks }: MealRequest): (first: string, then: string) => boolean {
  const earlier = new Map<string, Set<string>>()
  const byId = new Map(tasks.map((task) => [task.id, task]))
  const of = (id: string): Set<string> => {
    const known = earlier.get(id)
    if (known) return known
    const all = new Set<string>()
    earlier.set(id, all)
    for (const { task } of byId.get(id)!.after) {
      all.add(task)
      for (const before of of(task)) all.add(before)
    }
    return all
  }
  return (first, then) => of(then).has(first)
}

/** Holding as a sum over the starts: how often each counts, and what is added. */
function holdingOf(tasks: readonly Task[]): { times: Map<string, number>; plus: number } {
  const byId = new Map(tasks.map((task) => [task.id, task]))
  const times = new Map(tasks.map(({ id }) => [id, 0]))
  const add = (id: string, by: number) => times.set(id, times.get(id)! + by)
  const last = lasts(tasks)
  let plus = 0
  for (const task of tasks) {
    if (last.has(task.id)) {
      add(task.id, -1)
      plus -= task.minutes + (task.servedBefore ?? 0)
    }
    for (const { task: id, min = 0 } of task.after) {
      const before = byId.get(id)!
      if (before.passive) continue
      add(task.id, 1)
      add(id, -1)
      plus -= before.minutes + min
    }
  }
  return { times, plus }
}
