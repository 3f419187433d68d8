import type { PlanAnswer } from '~~/core/program/answer'
import type { LaterClosing } from '~~/core/program/later'

/** The names of what goes in at a later closing, as a phrase. */
export function useLaterFoods() {
  const kitchen = useKitchenStore()
  const list = new Intl.ListFormat('en', { type: 'conjunction' })
  return ({ foods }: PlanAnswer, { adds }: LaterClosing) =>
    list.format(adds.map((index) => kitchen.foodName(foods[index]!.food)))
}
