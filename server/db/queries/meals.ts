import { LENGTH } from '../../../core/bounds'
import type { KeptMeal } from '../../../shared/household'
import { MEAL, type Meal, type SaveMeal } from '../../../shared/meal.schema'
import { meals } from '../schema'
import type { Scope } from '../scope'
import { keptQueries, type Kept } from './kept'

const mealOf = ({ content: meal, name: _, favourite: __, ...rest }: Kept<Meal>): KeptMeal => ({ ...rest, meal })
const nameOf = ({ dishes }: Meal) =>
  dishes
    .map(({ dish }) => dish.name)
    .join(', ')
    .slice(0, LENGTH.potName)

/** The dinners of several dishes. */
export function mealQueries(scope: Scope) {
  const queries = keptQueries(scope, 'meal', meals, MEAL)
  return {
    meals: async (): Promise<KeptMeal[]> => (await queries.all()).map(mealOf),

    async meal(id: string): Promise<KeptMeal | null> {
      const found = await queries.one(id)
      return found && mealOf(found)
    },

    async saveMeal(id: string, { meal, version }: SaveMeal): Promise<KeptMeal | 'changed-meanwhile'> {
      const outcome = await queries.save(id, { version, favourite: false, name: nameOf(meal), content: meal })
      return outcome === 'changed-meanwhile' ? outcome : mealOf(outcome)
    },

    removeMeal: queries.remove,
  }
}
