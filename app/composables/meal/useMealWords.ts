import type { Instruction } from '~~/core/guide/instruction'
import type { DinnerRepair } from '~~/core/meal/dinner'
import type { DinnerWay } from '~~/core/meal/ways'
import type { Wish } from '~~/core/meal/impossible'
import { momentOf, type Meal, type MealTask } from '~~/shared/meal'

const MOST_NAMED = 3

/** A day is not broken over two lines. */
const inOne = (text: string) => text.replaceAll(' ', '\u00a0')

/** The words in which a meal is told: what a task is, what stands in its way, what would repair it. */
export function useMealWords() {
  const { t, clock, day, number, list, duration } = useI18nText()
  const { lineName } = useDishWords()
  const { sentence } = useStepWords()
  const kitchen = useKitchenStore()
  const nowMs = useNow()

  const cookerName = (id: string | null) =>
    kitchen.kitchen?.cookers.find((one) => one.id === id)?.name ?? t('meals.aPot')
  const dishName = (meal: Meal, key: string) => meal.dishes.find((one) => one.key === key)?.dish.name ?? key
  const stageOf = (meal: Meal, { dish, stage }: MealTask) =>
    meal.dishes.find(({ key }) => key === dish)?.dish.stages.find(({ id }) => id === stage) ?? null

  /** What goes in, by its names, as far as a line holds them. */
  function things(meal: Meal, task: MealTask): string {
    const lines = meal.dishes.find(({ key }) => key === task.dish)?.dish.lines ?? []
    const takes = stageOf(meal, task)?.takes ?? []
    const heaviest = takes
      .flatMap(({ line }) => lines.find(({ id }) => id === line) ?? [])
      .sort((a, b) => (b.g ?? 0) - (a.g ?? 0))
    return list(heaviest.slice(0, MOST_NAMED).map(lineName))
  }

  /** All that is done in a task, a sentence each; empty where its plan is not at hand. */
  function taskLines(task: MealTask, told: readonly Instruction[] = []): string[] {
    if (task.part === 'cook' || task.part === 'heat' || task.part === 'fall') return []
    // That what is fried is turned off at the end goes without saying; a pot's heat is a task of its own.
    return told.filter((one) => one.do !== 'off' || task.part === 'off').map(sentence)
  }
  /** The same in one line; of a call from another screen what it is. */
  function taskText(meal: Meal, task: MealTask, told: readonly Instruction[] = []): string {
    const pot = cookerName(task.cooker)
    const lines = taskLines(task, told)
    if (lines.length > 0) return lines.join('. ')
    switch (task.part) {
      case 'fill':
      case 'lift':
        return t(`meals.do.${task.part}`, { dish: dishName(meal, hostOf(meal, task.dish)) })
      case 'warm':
        return t('meals.do.warm', { dish: dishName(meal, task.dish) })
      case 'do':
      case 'tend': {
        const stage = stageOf(meal, task)
        const what = things(meal, task)
        if (!stage) return ''
        const kind = t(`meals.kinds.${stage.kind}`)
        if (stage.kind === 'soak') return t('meals.do.soak', { what, time: duration(task.minutes) })
        return what === '' ? kind : t('meals.do.with', { kind, what })
      }
      default:
        return t(`meals.do.${task.part}`, { pot })
    }
  }
  const hostOf = (meal: Meal, key: string) => meal.dishes.find((one) => one.key === key)?.inPotOf ?? key
  /** Shortly, for a bar. */
  function partText(meal: Meal, task: MealTask): string {
    const stage = stageOf(meal, task)
    if (task.part === 'do' || task.part === 'tend') return stage ? t(`meals.kinds.${stage.kind}`) : ''
    return t(`meals.parts.${task.part}`)
  }

  /** When: the hour, with its night or day where that is not today. */
  const when = (meal: Meal, minute: number): string => whenMs(momentOf(meal, minute))
  function whenMs(ms: number): string {
    return day(ms) === day(nowMs.value) ? clock(ms) : t('meals.onDay', { day: inOne(day(ms)), time: clock(ms) })
  }

  const wishText = (meal: Meal, wish: Wish, tasks: readonly MealTask[]): string => {
    switch (wish.kind) {
      case 'cooker':
        return t('meals.wish.cooker', { cooker: cookerName(wish.cooker) })
      case 'served-in-time':
      case 'without-break':
        return t(`meals.wish.${wish.kind}`, { dish: dishName(meal, wish.dish) })
      case 'put': {
        const task = tasks.find(({ id }) => id === wish.task)
        return t('meals.wish.put', { task: task ? taskText(meal, task) : wish.task })
      }
      default:
        return t(`meals.wish.${wish.kind}`)
    }
  }
  const burnerName = (id: string) => kitchen.kitchen?.burners.find((one) => one.id === id)?.name ?? ''
  const wayText = (meal: Meal, way: DinnerWay): string => {
    const dish = dishName(meal, way.dish)
    switch (way.kind) {
      case 'soak':
        return t(`meals.repairs.soak.${way.how}`, { dish })
      case 'ahead':
        return t('meals.repairs.ahead', { dish })
      case 'in-pot':
        return t('meals.repairs.in-pot', { dish, host: dishName(meal, way.host) })
      case 'pot': {
        const cooker = cookerName(way.cookerId)
        return way.burnerId === null
          ? t('meals.repairs.cooker', { dish, cooker })
          : t('meals.repairs.onBurner', { dish, cooker, burner: burnerName(way.burnerId) })
      }
    }
  }
  const repairText = (meal: Meal, repair: DinnerRepair, tasks: readonly MealTask[]): string => {
    switch (repair.kind) {
      case 'later':
        return t('meals.repairs.later', { time: whenMs(meal.servedAt + repair.minutes * 60_000) })
      case 'hands':
        return t('meals.repairs.hands', { n: number(repair.hands) })
      case 'burners':
        return t('meals.repairs.burners', { n: number(repair.burners) })
      case 'other-cooker':
        return t('meals.repair.other-cooker', { dish: dishName(meal, repair.dish), to: cookerName(repair.to) })
      case 'not-put': {
        const task = tasks.find(({ id }) => id === repair.task)
        return t('meals.repair.not-put', { task: task ? taskText(meal, task) : repair.task })
      }
      case 'soak':
      case 'ahead':
      case 'in-pot':
      case 'pot':
        return repair.minutes === 0
          ? wayText(meal, repair)
          : t('meals.repairs.both', {
              one: wayText(meal, repair),
              time: whenMs(meal.servedAt + repair.minutes * 60_000),
            })
      default:
        return t(`meals.repair.${repair.kind}`, { dish: dishName(meal, repair.dish) })
    }
  }
  return {
    cookerName,
    dishName,
    things,
    taskLines,
    taskText,
    partText,
    when,
    whenMs,
    wishText,
    wayText,
    repairText,
    burnerName,
  }
}
