import type { MaybeRefOrGetter } from 'vue'
import { litOn } from '~~/core/program/styles'
import { runsByItself } from '~~/core/live/next'
import { measuredCooker } from '~~/shared/kitchen'
import type { SavedPlan } from '~~/shared/household'

/** Which burner and flame a plan counts with, in words; empty for pots with their own heat. */
export function useBurnerText(of: MaybeRefOrGetter<SavedPlan>) {
  const { t } = useI18nText()
  const store = useKitchenStore()
  return computed(() => {
    const { request, answer, cookerId } = toValue(of)
    const kitchen = store.kitchen
    if (!kitchen || runsByItself(answer) || answer.closings[0]!.program.steps.length === 0) return ''
    const own = kitchen.cookers.find(({ id }) => id === cookerId)
    const asked = JSON.stringify(request.burner)
    const used = kitchen.burners.find(
      (one) => JSON.stringify(own ? measuredCooker(own, one).burner : one.burner) === asked,
    )
    const flame = t(`pot.flames.${litOn(request.style)}`)
    return used ? t('cook.by', { name: used.name, flame }) : ''
  })
}
