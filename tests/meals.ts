import type { MealRequest, Task } from '../core/meal/meal.schema'
import type { Placed } from '../core/meal/objective'
import type { MealTask } from '../shared/meal'

/** Numbers in 0 to 1 that are the same every time (mulberry32). */
export function seeded(seed: number): () => number {
  return () => {
    seed = (seed + 0x6d2b79f5) | 0
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

export type Kind = 'beans' | 'grain' | 'salad' | 'pan' | 'device'

const task = (id: string, minutes: number, rest: Partial<Task> = {}): Task => ({
  id,
  dish: id.split('.')[0]!,
  minutes,
  hands: 0,
  burner: 0,
  cooker: null,
  after: [],
  ...rest,
})

function dish(kind: Kind, nr: number, cookers: readonly string[], between: (a: number, b: number) => number): Task[] {
  const name = `${kind}-${nr}`
  const cooker = cookers[(nr - 1) % cookers.length]!
  const then = (before: string, max?: number, min?: number) => ({
    task: `${name}.${before}`,
    ...(max === undefined ? {} : { max }),
    ...(min === undefined ? {} : { min }),
  })
  const closing = (soaked: boolean): Task[] => [
    task(`${name}.fry`, between(5, 10), {
      hands: 1,
      burner: 1,
      cooker,
      keepsCookerUntil: `${name}.open`,
      after: [then('cut')],
    }),
    task(`${name}.close`, 1, { hands: 1, cooker, after: [then('fry', 5), ...(soaked ? [then('soak', 240)] : [])] }),
    task(`${name}.cook`, between(12, 35), { burner: 1, cooker, after: [then('close', 0)] }),
    task(`${name}.fall`, between(6, 12), { cooker, after: [then('cook', 0)] }),
    task(`${name}.open`, 1, { hands: 1, cooker, critical: true, after: [then('fall', 15)] }),
  ]
  const cut = task(`${name}.cut`, between(4, 12), { hands: 1 })
  switch (kind) {
    case 'beans':
      return [
        task(`${name}.soak`, 480, { passive: true }),
        cut,
        ...closing(true),
        task(`${name}.simmer`, between(5, 12), { burner: 1, after: [then('open', 10)] }),
        task(`${name}.temper`, 3, {
          hands: 1,
          burner: 1,
          critical: true,
          untilServe: 15,
          after: [then('simmer', 20)],
        }),
      ]
    case 'grain':
      return [
        cut,
        ...closing(false),
        task(`${name}.fluff`, 2, { hands: 1, untilServe: 20, after: [then('open', 30, 5)] }),
      ]
    case 'salad':
      return [
        task(`${name}.chop`, between(6, 12), { hands: 1 }),
        task(`${name}.dress`, 2, { hands: 1, untilServe: 10, after: [then('chop', 120)] }),
      ]
    case 'pan':
      return [cut, task(`${name}.fry`, between(6, 12), { hands: 1, burner: 1, untilServe: 25, after: [then('cut')] })]
    case 'device':
      return [
        task(`${name}.rinse`, 2, { hands: 1, cooker, keepsCookerUntil: `${name}.open` }),
        task(`${name}.run`, between(25, 40), { cooker, after: [then('rinse', 60)] }),
        task(`${name}.open`, 1, { hands: 1, cooker, critical: true, untilServe: 30, after: [then('run', 90)] }),
      ]
  }
}

const KINDS: Kind[] = ['beans', 'grain', 'device', 'salad', 'pan']

/** A meal of these dishes in a kitchen that has a cooker for each, with minutes drawn anew for each seed. */
export function mealOf(kinds: readonly Kind[], seed: number, kitchen: Partial<MealRequest> = {}): MealRequest {
  const random = seeded(seed)
  const between = (a: number, b: number) => a + Math.floor(random() * (b - a + 1))
  const cookers = kitchen.cookers ?? kinds.map((kind, i) => `${kind}-pot-${i + 1}`)
  const tasks = kinds.flatMap((kind, i) => dish(kind, i + 1, cookers, between))
  return { hands: 1, burners: 2, earliest: -1440, ...kitchen, cookers, tasks }
}

/** A meal with about so many tasks, of dishes that are drawn too. */
export function drawnMeal(seed: number, tasks: number, kitchen: Partial<MealRequest> = {}): MealRequest {
  const random = seeded(seed)
  const kinds: Kind[] = []
  const size = { beans: 9, grain: 7, device: 3, salad: 2, pan: 2 }
  for (let sum = 0; sum < tasks - 1;) {
    const kind = KINDS[Math.floor(random() * KINDS.length)]!
    if (sum + size[kind] > tasks + 2) continue
    kinds.push(kind)
    sum += size[kind]
  }
  return mealOf(kinds, seed + 1, kitchen)
}

/**
 * What is wrong with a plan, found minute by minute: it knows nothing of how plans are made, only what they are.
 * Empty where all is well.
 */
export function faultsOf(request: MealRequest, placed: readonly Placed[]): string[] {
  const faults: string[] = []
  const start: Record<string, number> = {}
  for (const { id, startMinute } of placed) start[id] = startMinute
  const find = (id: string) => request.tasks.find((one) => one.id === id)!
  const end = (id: string) => start[id]! + find(id).minutes
  for (const one of request.tasks) {
    const from = start[one.id]
    if (from === undefined || !Number.isInteger(from)) {
      faults.push(`${one.id} is not placed`)
      continue
    }
    const put = one.startMinute
    if (put !== undefined && put !== from) faults.push(`${one.id} is not where it was put`)
    if (put === undefined && from < request.earliest) faults.push(`${one.id} starts too early`)
    const before = one.servedBefore ?? 0
    if (end(one.id) + before > 0) faults.push(`${one.id} ends after serving`)
    if (one.untilServe !== undefined && -end(one.id) - before > one.untilServe) faults.push(`${one.id} waits too long`)
    for (const { task: earlier, min = 0, max = Infinity } of one.after) {
      const waits = from - end(earlier)
      if (waits < min) faults.push(`${one.id} is too soon after ${earlier}`)
      if (waits > max) faults.push(`${one.id} is too late after ${earlier}`)
    }
  }
  const leadsTo = (from: string, to: string): boolean =>
    from === to || find(to).after.some(({ task: before }) => leadsTo(from, before))
  const first = Math.min(...Object.values(start))
  for (let minute = first; minute < 0; minute++) {
    const on = request.tasks.filter(({ id }) => start[id]! <= minute && minute < end(id))
    const hands = on.filter((one) => one.hands)
    const helping = (request.helpers ?? []).filter(({ from, until }) => from <= minute && minute < until).length
    if (hands.length > request.hands + helping) faults.push(`too many hands at ${minute}`)
    if (hands.some((one) => one.critical) && hands.length > 1 + helping) faults.push(`not left alone at ${minute}`)
    if (on.filter((one) => one.burner).length > request.burners) faults.push(`too many burners at ${minute}`)
    for (const cooker of request.cookers) {
      const holders = request.tasks.filter(
        (one) => one.cooker === cooker && start[one.id]! <= minute && minute < end(one.keepsCookerUntil ?? one.id),
      )
      // Another dish's pot is emptied and rinsed before.
      const emptied = request.tasks.filter(
        (one) =>
          one.cooker === cooker &&
          end(one.id) <= minute &&
          minute < end(one.keepsCookerUntil ?? one.id) + (request.emptyMinutes ?? 0) &&
          holders.some(({ dish, id }) => dish !== one.dish && start[id]! >= end(one.id)),
      )
      if (emptied.length > 0) faults.push(`${cooker} is not emptied at ${minute}`)
      for (const a of holders)
        for (const b of holders) {
          const together =
            a === b ||
            (a.keepsCookerUntil && leadsTo(a.id, b.id) && leadsTo(b.id, a.keepsCookerUntil)) ||
            (b.keepsCookerUntil && leadsTo(b.id, a.id) && leadsTo(a.id, b.keepsCookerUntil))
          if (!together) faults.push(`${cooker} is taken twice at ${minute}`)
        }
    }
  }
  return faults
}

/** A task of a planned meal, as in “A.fry.do”: five minutes by hand. */
export const mealTask = (id: string, startMinute: number, change: Partial<MealTask> = {}): MealTask => ({
  id,
  dish: id[0]!,
  stage: id.split('.')[1]!,
  part: 'do',
  startMinute,
  minutes: 5,
  hands: 1,
  burner: 0,
  cooker: null,
  ...change,
})
