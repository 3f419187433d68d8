import type { Ingredient } from '~~/core/ingredient/ingredient.schema'

/** What is in no table, as the household has told it for some line of some dish; by what it is called there. */
export function useOwnIngredients() {
  const store = useDishesStore()
  if (store.dishes === null) void store.load()
  return computed(
    () =>
      new Map<string, Ingredient>(
        (store.dishes ?? [])
          .flatMap(({ dish }) => dish.lines)
          .flatMap(({ own, portionId, dishId }) =>
            own?.name && !portionId && !dishId ? [[own.name, own] as const] : [],
          ),
      ),
  )
}
