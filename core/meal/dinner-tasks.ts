import { answerDish, type DishAnswer } from '../dish/dish'
import type { DishRequest, PotOfStage } from '../dish/dish.schema'
import { failed, problem, type Outcome } from '../problem'
import { isRefused } from '../safety/rules'
import type { Placed } from './objective'
import type { Helper, MealRequest } from './meal.schema'
import { inOnePot, type OnePot, type Tins } from './one-pot'
import type { Begun } from './replan'
import { tasksOfDish, withTin, type DishTask } from './tasks'

/** How a dish's soak is done for this meal: as it is written, an hour in hot water, or not at all. */
export type SoakWay = 'written' | 'hot' | 'none'

/** A hot soak: an hour in water just off the boil does about what a night does (core/food/soak). */
const HOT_SOAK = { minutes: 60, waterC: 95 }

/** To put a dish into something else and rinse its pot for the next (engineering estimate). */
const EMPTY_MINUTES = 3

export interface DinnerDish {
  key: string
  request: DishRequest
  soak: SoakWay
  ahead: boolean
  /** The food of its pot stands in a tin in that other dish's pot. */
  inPotOf?: string | undefined
  /** It may stand covered until it is served; it is on the table so many minutes before the others. */
  waits?: boolean | undefined
  servedBefore?: number | undefined
}

/** A cooker on a burner; null for one that heats itself. */
export interface PotOnBurner {
  cookerId: string
  burnerId: string | null
  pot: PotOfStage
}

/** Several dishes for one hour, with the kitchen that they are cooked in. */
export interface Dinner {
  hands: number
  helpers?: readonly Helper[]
  burners: number
  /** The kitchen's cookers, each on every burner that there is. */
  pots: readonly PotOnBurner[]
  tins: Tins
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

/** What stands in a tin in another dish's pot. */
export interface InTin extends OnePot {
  host: string
}

export interface Built {
  request: MealRequest
  tasks: DishTask[]
  answers: Record<string, DishAnswer>
  inTins: Record<string, InTin>
}

/** A dinner as a meal of tasks; fails where a dish cannot be answered, or must not be cooked as it is. */
export function tasksOfDinner({ hands, helpers, burners, pots, tins, earliest, dishes, put }: Dinner): Outcome<Built> {
  const answers: Record<string, DishAnswer> = {}
  const asked = new Map<string, DishRequest['dish']>()
  for (const [i, { key, request, soak }] of dishes.entries()) {
    const dish = withSoak(request.dish, soak)
    const answer = answerDish({ ...request, dish })
    if (!answer.ok) return failed(...answer.problems.map((one) => ({ ...one, path: `dishes.${i}.${one.path}` })))
    if (isRefused(answer.value.cautions)) return failed(problem('meal-dish-refused', `dishes.${i}`, { dish: key }))
    const unplanned = answer.value.stages.flatMap(({ problems }) => problems)
    if (unplanned.length > 0) return failed(...unplanned.map((one) => ({ ...one, path: `dishes.${i}.${one.path}` })))
    answers[key] = answer.value
    asked.set(key, dish)
  }
  const inTins: Record<string, InTin> = {}
  for (const { key, inPotOf } of dishes) {
    if (inPotOf === undefined) continue
    const found = answers[inPotOf] && intoPotOf(answers[inPotOf], answers[key]!, tins)
    if (!found) return failed(problem('meal-not-in-tin', 'dishes', { dish: key, host: inPotOf }))
    answers[inPotOf] = found.host
    inTins[key] = { ...found.tin, host: inPotOf }
  }
  let tasks = dishes.flatMap(({ key, ahead, waits = false, servedBefore = 0 }) =>
    tasksOfDish({ key, dish: asked.get(key)!, answer: answers[key]!, ahead, waits, servedBefore }),
  )
  for (const [key, { host }] of Object.entries(inTins)) {
    const one = dishes.find((dish) => dish.key === key)!
    const other = dishes.find((dish) => dish.key === host)!
    const potOf = (of: string) => ({ key: of, stage: answers[of]!.stages.find(({ pot }) => pot)!.id })
    const together = one.ahead || other.ahead ? null : withTin(tasks, potOf(key), potOf(host))
    if (!together) return failed(problem('meal-not-in-tin', 'dishes', { dish: key, host }))
    tasks = together
  }
  if (tasks.length === 0) return failed(problem('meal-empty', 'dishes'))
  const putAt = new Map(put.map(({ id, startMinute }) => [id, startMinute]))
  const request: MealRequest = {
    hands,
    ...(helpers && helpers.length > 0 ? { helpers: [...helpers] } : {}),
    emptyMinutes: EMPTY_MINUTES,
    burners,
    earliest,
    cookers: [...new Set([...pots.map(({ cookerId }) => cookerId), ...tasks.flatMap(({ cooker }) => cooker ?? [])])],
    tasks: tasks.map((task) => (putAt.has(task.id) ? { ...task, startMinute: putAt.get(task.id)! } : task)),
  }
  return { ok: true, value: { request, tasks, answers, inTins } }
}

/** The host's dish with the guest's food in a tin in its pot: each has one pot, and no more. */
function intoPotOf(host: DishAnswer, guest: DishAnswer, tins: Tins): { host: DishAnswer; tin: OnePot } | null {
  const [own, ...others] = host.stages.filter(({ pot }) => pot)
  const [theirs, ...more] = guest.stages.filter(({ pot }) => pot)
  if (!own || !theirs || others.length > 0 || more.length > 0) return null
  const tin = inOnePot(own.pot!, theirs.pot!, tins)
  if (!tin) return null
  const { pot } = tin
  const minutes = pot.answer.closings.reduce((sum, { clock }) => sum + clock.openAtMinute, 0)
  const stages = host.stages.map((stage) =>
    stage === own ? { ...stage, minutes, pot: { ...pot, lines: own.pot!.lines } } : stage,
  )
  return { host: { ...host, stages, cautions: [...host.cautions, ...addedCautions(own.pot!, pot)] }, tin }
}

/** What is to be minded of the one pot that was not of the host's alone. */
function addedCautions(before: OnePot['pot'], { answer }: OnePot['pot']) {
  const known = new Set(before.answer.cautions.map(({ id, params }) => JSON.stringify([id, params])))
  return answer.cautions.filter(({ id, params }) => !known.has(JSON.stringify([id, params])))
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
