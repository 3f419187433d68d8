import type { DishRequest } from '~~/core/dish/dish.schema'
import { potOfStage, usualPot, type DishDocument } from '~~/shared/dish'
import { inUse } from '~~/shared/kitchen'

/** A dish for another number of people: looked at, not changed, until it is kept. */
export function useDishFor(dish: Ref<DishDocument | null>, request: Readonly<Ref<DishRequest | null>>) {
  const kitchen = useKitchen()
  const learnt = useLearntStore()
  const servings = ref<number | null>(null)
  const straight = ref({ spices: false, fat: false })
  /** The household's other cookers, in which some of it could go. */
  const others = computed(() => {
    const own = new Set(
      dish.value?.stages.flatMap(({ pot }) => (pot ? [pot.cookerId || kitchen.value.cookers[0]?.id] : [])),
    )
    return Object.fromEntries(
      inUse(kitchen.value.cookers).flatMap(({ id: cookerId }) => {
        if (own.has(cookerId)) return []
        const pot = potOfStage({ ...usualPot(kitchen.value), cookerId }, kitchen.value, learnt.believed)
        return pot ? [[cookerId, pot] as const] : []
      }),
    )
  })
  const asked = computed(() =>
    request.value && servings.value !== null && servings.value !== dish.value?.servings
      ? { request: request.value, servings: servings.value, straight: straight.value, others: others.value }
      : null,
  )
  const { result } = useWorked(
    asked,
    (work, { request: of, servings: n, straight: in_, others: pots }) => work.dishFor(of, n, in_, pots),
    'answer',
  )
  const scaledTo = computed(() => (asked.value && result.value?.ok ? result.value.value : null))
  const shownFor = computed({
    get: () => servings.value ?? dish.value?.servings ?? 4,
    set: (n: number) => (servings.value = n),
  })
  const back = () => (servings.value = null)
  function keep() {
    if (scaledTo.value && dish.value) dish.value = { ...dish.value, ...scaledTo.value.dish }
    back()
  }
  return { straight, scaledTo, shownFor, keep, back }
}
