import { LENGTH } from '~~/core/bounds'
import type { KeptPot } from '~~/shared/household'
import { itemG } from '~~/shared/pot'

/** The pots that the household keeps, as they stand in lists: what is in them, opened, copied, taken off and put back. */
export function useKeptPots() {
  const { t, weight } = useI18nText()
  const kitchen = useKitchenStore()
  const pot = usePotStore()
  const store = usePotsStore()
  const removed = ref<KeptPot | null>(null)
  const failed = ref(false)

  const describe = (kept: KeptPot) => {
    const foods = kept.pot.items
      .map((item) =>
        t('day.amount', {
          grams: weight(itemG(item, kitchen.kitchen!)),
          food: kitchen.foodName(item.foodId).toLowerCase(),
        }),
      )
      .join(', ')
    const cooker = kitchen.kitchen!.cookers.find(({ id }) => id === kept.pot.cookerId)?.name
    return [foods, cooker].filter((part) => part && part !== kept.name).join(' · ')
  }
  const open = (kept: KeptPot) => navigateTo(pot.open(kept))

  async function attempt(work: () => Promise<unknown>): Promise<void> {
    failed.value = false
    try {
      await work()
    } catch {
      failed.value = true
    }
  }
  const remove = (kept: KeptPot) =>
    attempt(async () => {
      await store.remove(kept)
      removed.value = kept
    })
  const save = ({ id, name, favourite, pot: content, version }: KeptPot) =>
    store.save(id, { name, favourite, pot: content, version })
  const putBack = () =>
    attempt(async () => {
      if (removed.value) await save(removed.value)
      removed.value = null
    })
  const star = (kept: KeptPot) => attempt(() => save({ ...kept, favourite: !kept.favourite }))
  const copy = (kept: KeptPot, name: string) => attempt(() => store.add(name.slice(0, LENGTH.potName), kept.pot))
  return { removed, failed, describe, open, remove, putBack, star, copy }
}
