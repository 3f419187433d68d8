import type { DishAnswer } from '../dish/dish'
import { failed, problem, type Outcome } from '../problem'
import { tasksOfDinner, type Dinner, type InTin } from './dinner-tasks'
import type { Repair, Wish } from './impossible'
import { planMeal } from './meal'
import { replanMeal, type Begun } from './replan'
import type { Budget } from './budget'
import type { MealPlan } from './schedule'
import { waitsBest, type DishTask } from './tasks'
import { burnerClashes, repairingWays, waysToKeepHour, type BurnerClash, type DinnerWay } from './ways'

/** A change after which there is a plan; one of the dishes' own, served so many minutes later, 0 at the hour. */
export type DinnerRepair = Repair | (DinnerWay & { minutes: number })

export interface DinnerPlan {
  tasks: DishTask[]
  answers: Record<string, DishAnswer>
  /** By the dish that stands in another's pot. */
  inTins: Record<string, InTin>
  plan: MealPlan
  laterMinutes: number
  waiting: string[]
  begun: Begun[]
  /** It is later than was wished, and would not be with another pair of hands, or with one of these changes. */
  withHands: boolean
  keeps: DinnerWay[]
  /** Of what could keep the hour everything was decided. */
  isWhole: boolean
  /** Pots that want the same burner at once. */
  clashes: BurnerClash[]
  /** The dish that may stand longest before it is served. */
  waitsBest: ReturnType<typeof waitsBest>
}
export type DinnerAnswer =
  | { possible: true; dinner: DinnerPlan }
  /** If not `isWhole` some change was not decided: then where none is named it has to be looked further. */
  | { possible: false; wishes: Wish[]; repairs: DinnerRepair[]; isWhole: boolean; tasks: DishTask[] }

/**
 * Plans several dishes for one hour: what each is by itself (`answerDish`), its tasks, and when each of them begins.
 * Where it cannot be, the reason with what would repair it: another soak, another pot, a dish in the pot of another or made
 * ahead, besides what the tasks alone can tell. What a safety rule refuses is never among those.
 */
export function planDinner(dinner: Dinner, budget: Budget): Outcome<DinnerAnswer> {
  const built = tasksOfDinner(dinner)
  if (!built.ok) return built
  const { request, tasks, answers, inTins } = built.value
  const begun = dinner.going?.begunOf(tasks) ?? []
  const done = (plan: MealPlan, late: Partial<DinnerPlan> = {}): Outcome<DinnerAnswer> => {
    const inTime = {
      laterMinutes: 0,
      waiting: [],
      withHands: false,
      keeps: [],
      isWhole: true,
      clashes: burnerClashes(dinner, tasks, plan.tasks),
      waitsBest: waitsBest(tasks),
    }
    return { ok: true, value: { possible: true, dinner: { tasks, answers, inTins, plan, begun, ...inTime, ...late } } }
  }
  if (dinner.going) {
    const again = replanMeal(request, dinner.going.now, begun, budget, dinner.like)
    if (!again || again === 'stopped') return failed(problem('meal-not-in-time', 'tasks'))
    const { plan, laterMinutes, waiting } = again
    if (laterMinutes === 0) return done(plan, { waiting })
    const more = replanMeal({ ...request, hands: request.hands + 1 }, dinner.going.now, begun, budget)
    const withHands = more !== null && more !== 'stopped' && more.laterMinutes === 0
    const { found: keeps, isWhole } = waysToKeepHour(dinner, begun, budget)
    return done(plan, { laterMinutes, waiting, withHands, keeps, isWhole: isWhole && more !== 'stopped' })
  }
  const answer = planMeal(request, budget, dinner.like)
  if (!answer.ok) return answer
  if (answer.value.possible) return done(answer.value.plan)
  const { wishes, repairs, isWhole } = answer.value
  // In another cooker a pot takes another time: that is asked of the dish itself.
  const others = repairs.filter(({ kind }) => kind !== 'other-cooker')
  const ways = repairingWays(dinner, wishes, budget)
  return {
    ok: true,
    value: {
      possible: false,
      wishes,
      tasks,
      repairs: [...ways.found, ...others],
      isWhole: isWhole && ways.isWhole,
    },
  }
}
