import { COOKERS, kindOf } from '~~/core/appliance/appliance'
import { findFood } from '~~/core/food/catalogue'
import { inUse } from '~~/shared/kitchen'
import { newPot } from '~~/shared/pot'
import { requestOf } from '~~/shared/pot-request'

/**
 * A try that works in any kitchen: two cups of white beans on the practice stove. The pot that is planned stays as it is.
 * In a kitchen without a whistling cooker one of this name is lent.
 */
export async function tryBeans(lentName: string): Promise<void> {
  const kitchen = useKitchenStore().loaded
  const of = inUse(kitchen.cookers).find(({ cooker }) => kindOf(cooker.appliance).tells === 'whistles') ?? {
    id: '',
    name: lentName,
    cooker: COOKERS['whistling-5l-aluminium']!,
    tests: [],
  }
  const beans = newPot(findFood('navy-bean')!, kitchen, { count: 2, unit: '' })
  const request = requestOf(beans, kitchen, of, 'whistles', serverNow())!
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
}
