import { createInjectionState } from '@vueuse/core'
import { BURNERS } from '~~/core/appliance/burner'
import { heatsItself } from '~~/core/appliance/appliance'
import { applianceOf } from '~~/core/program/answer'

/** The plan of the pot in the way that is taken; what was found where that is free is told to the pot. */
export function useTakenPlan() {
  const pot = usePotStore()
  const plan = usePlan(
    () => pot.asked,
    () => pot.isFree,
  )
  watch(
    () => [plan.instead.value, plan.taken.value] as const,
    ([instead, taken]) => (pot.found = instead && taken ? taken.style : null),
  )
  return plan
}

/** The plan of the pot on the Pot page, loose or in tins: worked out once, and shown by whatever stands on it. */
export const [providePotPlan, useProvidedPotPlan] = createInjectionState(() => {
  const pot = usePotStore()
  const kitchen = useKitchenStore()
  const plan = useTakenPlan()
  const { answer } = plan
  const nowMs = useNow()
  /** How strong the planned flame is, for the drawing. */
  const heat = computed(() => {
    const burner = pot.measured?.burner
    if (!burner || !answer.value || heatsItself(applianceOf(answer.value))) return 1
    const style = pot.request?.style
    return burner[(style && 'flame' in style && style.flame) || 'high'] / BURNERS.strong.high
  })
  const cup = computed(() => kitchen.kitchen?.measures.find(({ id }) => id === pot.form.items[0]?.unit) ?? kitchen.cup)
  return { ...plan, nowMs, heat, cup, ...useLight() }
})

/** For what stands on the Pot page. */
export const usePotPlan = () => useProvidedPotPlan()!
