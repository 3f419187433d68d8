import { isWatched } from '~~/core/food/watched'
import { LENGTH } from '~~/core/bounds'
import type { Ingredient } from '~~/core/ingredient/ingredient.schema'

/** What is in no table, as the household has told it for some line of some dish; by what it is called there. */
export function useOwnIngredients() {
  const store = useDishesStore()
  if (store.dishes === null) void store.load()
  return computed(
    () =>
      new Map<string, Ingredient>(
        (store.dishes ?? [])
          .flatMap(({ content: dish }) => dish.lines)
          .flatMap(({ own, portionId, dishId }) =>
            // A copied dish has the ids of the first: the name is what it is known by.
            own?.name && !portionId && !dishId
              ? [[own.name, { ...own, id: `own-${own.name}`.slice(0, LENGTH.id) }] as const]
              : [],
          ),
      ),
  )
}

/**
 * The food that a text names and that is watched until it is safe to eat, if there is one: it is no own thing, whatever
 * else a household calls it.
 */
export function useWatchedFood() {
  const foods = useNamedFoods()
  return (text: string) => foods.value.find((one) => isWatched(one.food) && holdsName(text, one)) ?? null
}
