import type { KeptDish } from '../../../shared/household'
import { DISH, type KeptDishDocument, type SaveDish } from '../../../shared/dish.schema'
import { dishes } from '../schema'
import type { Scope } from '../scope'
import { keptQueries, type Kept } from './kept'

const dishOf = ({ content: dish, name: _, ...rest }: Kept<KeptDishDocument>): KeptDish => ({ ...rest, dish })

/** Dishes of the household; each is called as it calls itself. */
export function dishQueries(scope: Scope) {
  const queries = keptQueries(scope, 'dish', dishes, DISH)
  return {
    dishes: async (): Promise<KeptDish[]> => (await queries.all()).map(dishOf),

    async dish(id: string): Promise<KeptDish | null> {
      const found = await queries.one(id)
      return found && dishOf(found)
    },

    async saveDish(id: string, { dish, ...rest }: SaveDish): Promise<KeptDish | 'changed-meanwhile'> {
      const outcome = await queries.save(id, { ...rest, name: dish.name, content: dish })
      return outcome === 'changed-meanwhile' ? outcome : dishOf(outcome)
    },

    removeDish: queries.remove,
  }
}
