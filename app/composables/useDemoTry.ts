import { COOKERS } from '~~/core/appliance/appliance'
import { findFood } from '~~/core/food/catalogue'
import { inUse } from '~~/shared/kitchen'
import { newPot, requestOf } from '~~/shared/pot'

/** A try that works in any kitchen: two cups of white beans on the practice stove. The pot that is planned stays as it is. */
export function useDemoTry() {
  const { t } = useI18nText()
  const kitchen = computed(() => useKitchenStore().kitchen!)
  const trying = ref(false)

  async function tryBeans() {
    trying.value = true
    try {
      const { cookers } = kitchen.value
      const of = inUse(cookers).find(({ cooker }) => cooker.appliance.kind === 'whistling') ?? {
        id: '',
        name: t('app.tryCooker'),
        cooker: COOKERS['whistling-5l-aluminium']!,
        tests: [],
      }
      const beans = newPot(findFood('navy-bean')!, kitchen.value, { count: 2, unit: '' })
      const request = requestOf(beans, kitchen.value, of, 'whistles', serverNow())!
      const { outcome } = await useWorker().plan(JSON.parse(JSON.stringify(request)) as typeof request)
      if (!outcome.ok) return
      usePracticeStore().begin({
        name: useKitchenStore().foodName('navy-bean'),
        cookerId: of.id || null,
        cookerName: of.name,
        request,
        answer: outcome.value,
      })
      await navigateTo('/practice')
    } finally {
      trying.value = false
    }
  }
  return { tryBeans, trying }
}
