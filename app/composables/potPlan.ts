import { createInjectionState } from '@vueuse/core'
import { BURNERS } from '~~/core/appliance/burner'
import { heatsItself } from '~~/core/appliance/appliance'
import { applianceOf } from '~~/core/program/answer'

/** The plan of the pot on the Pot page, loose or in tins: worked out once, and shown by whatever stands on it. */
export const [providePotPlan, useProvidedPotPlan] = createInjectionState(() => {
  const pot = usePotStore()
  const kitchen = useKitchenStore()
  const plan = usePlan(() => pot.request)
  const { answer } = plan
  const nowMs = useNow()
  /** How strong the planned flame is, for the drawing. */
  const heat = computed(() => {
    const burner = pot.measured?.burner
    if (!burner || !answer.value || heatsItself(applianceOf(answer.value))) return 1
    const byFlame = pot.styleKind === 'whistles' || pot.styleKind === 'clock'
    return burner[byFlame ? pot.form.flame : 'high'] / BURNERS.strong.high
  })
  const cup = computed(() => kitchen.kitchen?.measures.find(({ id }) => id === pot.form.items[0]?.unit) ?? kitchen.cup)
  return { ...plan, nowMs, heat, cup, ...useLight() }
})

/** For what stands on the Pot page. */
export const usePotPlan = () => useProvidedPotPlan()!
