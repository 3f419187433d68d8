import { stylesFor } from '../appliance/appliance'
import type { DishRequest } from '../dish/dish.schema'
import { cookerOf } from '../program/stove'
import { tasksOfDinner, type Dinner, type DinnerDish, type PotOnBurner, type SoakWay } from './dinner-tasks'
import { objectiveOf, type Objective, type Placed } from './objective'
import { leastLater, possible, type Wish } from './impossible'
import { planMeal } from './meal'
import { replanMeal, type Begun } from './replan'
import { endOf, type Budget } from './budget'
import { UNDER_PRESSURE, type DishTask } from './tasks'

/** Something that could be done otherwise with one of the dishes. */
export type DinnerWay =
  | { kind: 'soak'; dish: string; how: Exclude<SoakWay, 'written'> }
  | { kind: 'ahead'; dish: string }
  | { kind: 'pot'; dish: string; stage: string; cookerId: string; burnerId: string | null }
  | { kind: 'in-pot'; dish: string; host: string }

/** What a way would make of the dinner. */
export interface WeighedWay {
  way: DinnerWay
  objective: Objective
}

/** Each change is looked at with such a share of the budget of the whole. */
const LOOK_SHARE = 0.1
/** A dinner that is shorter by less is no better; and by as much more for each minute that the hands have more to do at last. */
const LEAST_SHORTER_MINUTES = 5

/** The dinner with one of its dishes done otherwise. */
export function applied(dinner: Dinner, way: DinnerWay): Dinner {
  const change = (by: (dish: DinnerDish) => DinnerDish): Dinner => ({
    ...dinner,
    dishes: dinner.dishes.map((one) => (one.key === way.dish ? by(one) : one)),
  })
  switch (way.kind) {
    case 'soak':
      return change((dish) => ({ ...dish, soak: way.how }))
    case 'ahead':
      return change((dish) => ({ ...dish, ahead: true }))
    case 'in-pot':
      return change((dish) => ({ ...dish, inPotOf: way.host }))
    case 'pot': {
      const pot = dinner.pots.find(({ cookerId, burnerId }) => cookerId === way.cookerId && burnerId === way.burnerId)
      return pot ? change((dish) => ({ ...dish, request: onPot(dish.request, way.stage, pot) })) : dinner
    }
  }
}

/** A dish with one of its pots on another burner or in another cooker, in the style that this can be used in. */
function onPot(request: DishRequest, stageId: string, { cookerId, burnerId, pot }: PotOnBurner): DishRequest {
  const stages = request.dish.stages.map((stage) =>
    stage.id === stageId && stage.pot
      ? { ...stage, pot: { ...stage.pot, cookerId, burnerId: burnerId ?? '', style: styleIn(stage.pot.style, pot) } }
      : stage,
  )
  return { ...request, dish: { ...request.dish, stages }, pots: { ...request.pots, [stageId]: pot } }
}

/** The style in which a stage is cooked in another cooker: its own, where that can be, or the cooker's usual one. */
export function styleIn<S extends string>(style: S, { cooker: of }: PotOnBurner['pot']): S {
  const cooker = cookerOf({ cooker: of })
  const styles = cooker ? (stylesFor(cooker) as readonly string[]) : []
  return styles.includes(style) || styles.length === 0 ? style : (styles[0] as S)
}

/** Every single change of a dish that the kitchen allows; of what has been begun nothing is changed any more. */
function waysOf({ dishes, pots }: Dinner, begun: readonly Begun[] = []): DinnerWay[] {
  const isBegun = (key: string) => begun.some(({ id }) => id.startsWith(`${key}.`))
  const free = dishes.filter(({ key }) => !isBegun(key))
  return free.flatMap(({ key, request, soak, ahead, inPotOf }): DinnerWay[] => {
    const stages = request.dish.stages.filter(({ kind }) => kind === 'pot')
    const soaks = soak === 'written' && request.dish.stages.some(({ kind }) => kind === 'soak')
    const one = { dish: key }
    const elsewhere = stages.flatMap((stage) =>
      pots
        .filter(({ cookerId, burnerId }) => cookerId !== stage.pot?.cookerId || isOther(burnerId, stage.pot?.burnerId))
        .map(({ cookerId, burnerId }) => ({ kind: 'pot' as const, ...one, stage: stage.id, cookerId, burnerId })),
    )
    const hosts =
      stages.length === 1 && !ahead ? free.filter((host) => host.key !== key && !host.ahead && !host.inPotOf) : []
    const hasGuest = dishes.some((other) => other.inPotOf === key)
    const otherSoaks = soaks ? (['hot', 'none'] as const).map((how) => ({ kind: 'soak' as const, ...one, how })) : []
    if (inPotOf !== undefined) return otherSoaks
    if (hasGuest) return [...elsewhere, ...otherSoaks]
    return [
      ...hosts.map((host) => ({ kind: 'in-pot' as const, ...one, host: host.key })),
      ...elsewhere,
      ...otherSoaks,
      ...(ahead ? [] : [{ kind: 'ahead' as const, ...one }]),
    ]
  })
}

const isOther = (burnerId: string | null, written = '') => burnerId !== null && burnerId !== written

/** Two pots that are cooked at the same time and both were worked out for the same burner. */
export interface BurnerClash {
  dish: string
  other: string
  burnerId: string
  /** The other burner for the one that is lit later; null where there is none that is free. */
  way: DinnerWay | null
}

/** Pots of a plan that want the same burner at once, each with its way out. */
export function burnerClashes(
  { dishes, pots }: Dinner,
  tasks: readonly DishTask[],
  placed: readonly Placed[],
): BurnerClash[] {
  const start = new Map(placed.map(({ id, startMinute }) => [id, startMinute]))
  const first = pots.find(({ burnerId }) => burnerId !== null)?.burnerId ?? null
  // A pot keeps its burner from being lit to being turned off.
  const heated = tasks.filter(({ part, burner }) => UNDER_PRESSURE.includes(part) && burner === 1)
  const cooking = [...new Set(heated.map(({ dish, stage }) => `${dish}.${stage}`))]
    .map((pot) => {
      const own = heated.filter(({ dish, stage }) => `${dish}.${stage}` === pot)
      const [task] = own
      const { stages } = dishes.find(({ key }) => key === task!.dish)!.request.dish
      const burnerId = stages.find(({ id }) => id === task!.stage)?.pot?.burnerId || first
      const from = Math.min(...own.map(({ id }) => start.get(id)!))
      return { task: task!, burnerId, from, to: Math.max(...own.map(({ id, minutes }) => start.get(id)! + minutes)) }
    })
    .sort((a, b) => a.from - b.from)
  return cooking.flatMap((one, i): BurnerClash[] => {
    const beside = cooking.filter((other) => other !== one && other.from < one.to && one.from < other.to)
    const other = beside.find((before) => before.burnerId === one.burnerId && cooking.indexOf(before) < i)
    if (!other || one.burnerId === null) return []
    const { dish, stage, cooker } = one.task
    const free = pots.find(
      ({ cookerId, burnerId }) =>
        cookerId === cooker && burnerId !== null && beside.every((taken) => taken.burnerId !== burnerId),
    )
    const way = free ? ({ kind: 'pot', dish, stage, cookerId: free.cookerId, burnerId: free.burnerId } as const) : null
    return [{ dish, other: other.task.dish, burnerId: one.burnerId, way }]
  })
}

/** Ways that were found, and whether every other was decided against. */
export interface FoundWays<W> {
  found: W[]
  isWhole: boolean
}

/** Looks at each way with a budget of its own; one that answers 'stopped' was not decided. */
function lookAtWays<W>(
  ways: readonly DinnerWay[],
  budget: Budget,
  look: (way: DinnerWay, budget: Budget) => W | null | 'stopped',
): FoundWays<W> {
  const isOver = endOf(budget)
  const looked = ways.map((way) => (isOver() ? 'stopped' : look(way, { ...budget, most: LOOK_SHARE * budget.most })))
  return {
    found: looked.filter((one): one is Exclude<typeof one, null | 'stopped'> => one !== null && one !== 'stopped'),
    isWhole: !looked.includes('stopped'),
  }
}

/** Changes of one dish each that make a dinner possible that is not, with how much later it would be. */
export function repairingWays(
  dinner: Dinner,
  wishes: readonly Wish[],
  budget: Budget,
): FoundWays<DinnerWay & { minutes: number }> {
  const late = wishes.some(({ kind }) => kind === 'hour')
  return lookAtWays(waysOf(dinner), budget, (way, own) => {
    if (late && way.kind === 'ahead') return null
    const built = tasksOfDinner(applied(dinner, way))
    if (!built.ok) return null
    const { request } = built.value
    const stop = endOf(own)
    if (late && way.kind === 'soak') {
      const minutes = leastLater(request, stop)
      return minutes === null || minutes === 'stopped' ? minutes : { ...way, minutes }
    }
    const is = possible(request, stop)
    return is === null ? 'stopped' : is ? { ...way, minutes: 0 } : null
  })
}

/** Changes of one dish each that is not begun yet, after which it is all on the table at the hour. */
export function waysToKeepHour(dinner: Dinner, begun: readonly Begun[], budget: Budget): FoundWays<DinnerWay> {
  return lookAtWays(waysOf(dinner, begun), budget, (way, own) => {
    // What was made ahead would have had to be made by now.
    if (way.kind === 'ahead') return null
    const built = tasksOfDinner(applied(dinner, way))
    if (!built.ok) return null
    const { request, tasks } = built.value
    const { now, begunOf } = dinner.going!
    const again = replanMeal(request, now, begunOf(tasks), own)
    if (again === 'stopped') return again
    return again?.laterMinutes === 0 ? way : null
  })
}

/**
 * Changes of one dish each that make a possible dinner better: fewer hands in the last minutes, or a shorter span. The
 * best first, and of each kind and dish the best alone. What a rule refuses is not among them.
 */
export function betterWays(dinner: Dinner, budget: Budget): FoundWays<WeighedWay> {
  const look = (of: Dinner, own: Budget): Objective | null | 'stopped' => {
    const built = tasksOfDinner(of)
    if (!built.ok) return null
    const answer = planMeal(built.value.request, own)
    // It fails where it was not decided in time.
    if (!answer.ok) return 'stopped'
    return answer.value.possible ? objectiveOf(built.value.request, answer.value.plan.tasks) : null
  }
  const now = look(dinner, { ...budget, most: LOOK_SHARE * budget.most })
  if (!now || now === 'stopped') return { found: [], isWhole: now === null }
  const { found, isWhole } = lookAtWays(waysOf(dinner), budget, (way, own): WeighedWay | null | 'stopped' => {
    const objective = look(applied(dinner, way), own)
    if (objective === 'stopped') return objective
    return objective && isBetter(objective, now) ? { way, objective } : null
  })
  found.sort(
    (a, b) =>
      a.objective.handsLateMinutes - b.objective.handsLateMinutes || a.objective.spanMinutes - b.objective.spanMinutes,
  )
  // Of the pots that a dish could be cooked in the best will do.
  const kindOf = ({ way }: WeighedWay) => `${way.kind} ${way.dish}`
  const best = found.filter((one, i) => found.findIndex((other) => kindOf(other) === kindOf(one)) === i)
  return { found: best, isWhole }
}

const isBetter = (one: Objective, other: Objective) =>
  one.handsLateMinutes < other.handsLateMinutes ||
  one.spanMinutes <= other.spanMinutes - LEAST_SHORTER_MINUTES * (1 + one.handsLateMinutes - other.handsLateMinutes)
