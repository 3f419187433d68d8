import type { StageAnswer } from '~~/core/dish/dish'
import type { DinnerMend } from '~~/core/meal/dinner'
import type { InTin } from '~~/core/meal/dinner-tasks'
import type { DinnerWay } from '~~/core/meal/ways'
import type { Wish } from '~~/core/meal/impossible'
import { momentOf, type Meal, type MealTask } from '~~/shared/meal'

const MOST_NAMED = 3

/** The words in which a meal is told: what a task is, what stands in its way, what would mend it. */
export function useMealWords() {
  const { t, clock, day, number, list, duration } = useI18nText()
  const { lineName, pourText, waterText } = useDishWords()
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

  /** What is done, as a cook would say it: “fry onion and oil in the Blue 5 L”. */
  function taskText(meal: Meal, task: MealTask, answer?: StageAnswer | null, inTin?: InTin | null): string {
    const pot = cookerName(task.cooker)
    const stage = stageOf(meal, task)
    const what = things(meal, task)
    switch (task.part) {
      case 'close': {
        const water = answer ? pourText(answer) : null
        return water ? t('meals.do.closeWith', { pot, water }) : t('meals.do.close', { pot })
      }
      case 'heat':
      case 'turn':
      case 'cook':
      case 'off':
        return t(`meals.do.${task.part}`, { pot })
      case 'fall':
        return t('meals.do.fall', { pot })
      case 'open':
        return t('meals.do.open', { pot })
      case 'fill': {
        const dish = dishName(meal, hostOf(meal, task.dish))
        const own = potThings(meal, task)
        return inTin
          ? t('meals.do.fillWith', { what: own, water: waterText(inTin.waterG), tin: tinName(inTin.tin.id), dish })
          : t('meals.do.fill', { what: own, dish })
      }
      case 'lift':
        return t('meals.do.lift', { dish: dishName(meal, hostOf(meal, task.dish)) })
      case 'warm':
        return t('meals.do.warm', { dish: dishName(meal, task.dish) })
      default: {
        if (!stage) return ''
        const kind = t(`meals.kinds.${stage.kind}`)
        if (stage.kind === 'soak') return t('meals.do.soak', { what, time: duration(task.minutes) })
        return what === '' ? t('meals.do.plain', { kind }) : t('meals.do.with', { kind, what })
      }
    }
  }
  const hostOf = (meal: Meal, key: string) => meal.dishes.find((one) => one.key === key)?.inPotOf ?? key
  const tinName = (id: string) => kitchen.kitchen?.tins.find((one) => one.id === id)?.name ?? t('meals.aTin')
  /** What goes into a tin: what its stage takes, or all that stood in water before. */
  function potThings(meal: Meal, task: MealTask): string {
    const before = stageOf(meal, task)?.from.map(({ stage }) => ({ ...task, stage })) ?? []
    return list([task, ...before].map((one) => things(meal, one)).filter((one) => one !== ''))
  }
  /** Shortly, for a bar. */
  function partText(meal: Meal, task: MealTask): string {
    const stage = stageOf(meal, task)
    if (task.part === 'do' || task.part === 'tend') return stage ? t(`meals.kinds.${stage.kind}`) : ''
    return t(`meals.parts.${task.part}`)
  }

  /** When: the hour, with its night or day where that is not today. */
  const when = (meal: Meal, minute: number): string => whenMs(momentOf(meal, minute))
  function whenMs(ms: number): string {
    return day(ms) === day(nowMs.value) ? clock(ms) : t('meals.onDay', { day: day(ms), time: clock(ms) })
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
        return t(`meals.mends.soak.${way.how}`, { dish })
      case 'ahead':
        return t('meals.mends.ahead', { dish })
      case 'in-pot':
        return t('meals.mends.in-pot', { dish, host: dishName(meal, way.host) })
      case 'pot': {
        const cooker = cookerName(way.cookerId)
        return way.burnerId === null
          ? t('meals.mends.cooker', { dish, cooker })
          : t('meals.mends.onBurner', { dish, cooker, burner: burnerName(way.burnerId) })
      }
    }
  }
  const mendText = (meal: Meal, mend: DinnerMend, tasks: readonly MealTask[]): string => {
    switch (mend.kind) {
      case 'later':
        return t('meals.mends.later', { time: whenMs(meal.servedAt + mend.minutes * 60_000) })
      case 'hands':
        return t('meals.mends.hands', { n: number(mend.hands) })
      case 'burners':
        return t('meals.mends.burners', { n: number(mend.burners) })
      case 'other-cooker':
        return t('meals.mend.other-cooker', { dish: dishName(meal, mend.dish), to: cookerName(mend.to) })
      case 'not-put': {
        const task = tasks.find(({ id }) => id === mend.task)
        return t('meals.mend.not-put', { task: task ? taskText(meal, task) : mend.task })
      }
      case 'soak':
      case 'ahead':
      case 'in-pot':
      case 'pot':
        return mend.minutes === 0
          ? wayText(meal, mend)
          : t('meals.mends.both', {
              one: wayText(meal, mend),
              time: whenMs(meal.servedAt + mend.minutes * 60_000),
            })
      default:
        return t(`meals.mend.${mend.kind}`, { dish: dishName(meal, mend.dish) })
    }
  }
  return { cookerName, dishName, things, taskText, partText, when, whenMs, wishText, wayText, mendText, burnerName }
}
