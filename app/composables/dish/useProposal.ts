import { proposeDish, type ProposeFor, type Wanted } from '~~/core/dish/propose'
import { largestTinIn, usualPot, usualPotIn, type DishDocument } from '~~/shared/dish'
import { foodOf } from '~~/shared/kitchen'

/**
 * Lines without a stage are cooked as is usual, until somebody takes that over or builds stages of their own: the
 * proposal is null then. `whole` is the dish with the stages that are proposed while it has none.
 */
export function useProposal(dish: Readonly<Ref<DishDocument | null>>) {
  const kitchen = useKitchen()
  const wanted = ref<Wanted>({})
  const wantedCooker = ref('')
  const cookedWith = computed<ProposeFor>(() => {
    const pot = usualPotIn(kitchen.value, wantedCooker.value)
    return { foods: kitchen.value.foods.map(foodOf), pot, tin: largestTinIn(kitchen.value, pot.cookerId) }
  })
  const proposal = computed(() => {
    if (!dish.value || dish.value.stages.length > 0 || dish.value.lines.length === 0) return null
    return proposeDish(dish.value.lines, wanted.value, cookedWith.value)
  })
  const cookerId = computed({
    get: () => wantedCooker.value || usualPot(kitchen.value).cookerId,
    set: (id: string) => (wantedCooker.value = id),
  })
  const whole = computed<DishDocument | null>(() =>
    dish.value && proposal.value ? { ...dish.value, stages: proposal.value.stages } : dish.value,
  )
  return { wanted, cookedWith, cookerId, proposal, whole }
}
