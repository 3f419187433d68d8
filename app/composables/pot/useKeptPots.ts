import { LENGTH } from '~~/core/bounds'
import type { KeptPot } from '~~/shared/household'
import { itemG } from '~~/shared/pot'

/** The pots that the household keeps, as they stand in lists: what is in them, opened, copied, taken off and put back. */
export function useKeptPots() {
  const { t, inSentence, weight } = useI18nText()
  const kitchen = useKitchenStore()
  const store = usePotsStore()
  const save = ({ id, ...kept }: KeptPot) => store.save(id, kept)
  const { attempt, ...actions } = useKeptActions<KeptPot>({ remove: store.remove, save })

  const describe = (kept: Pick<KeptPot, 'name' | 'content'>) => {
    const foods = kept.content.items
      .map((item) =>
        t('edit.amountOf', {
          grams: weight(itemG(item, kitchen.loaded)),
          food: inSentence(kitchen.foodName(item.foodId)),
        }),
      )
      .join(', ')
    const cooker = kitchen.loaded.cookers.find(({ id }) => id === kept.content.cookerId)?.name
    return [foods, cooker].filter((part) => part && part !== kept.name).join(' · ')
  }
  // What plans a pot comes when one is opened: lists do without.
  const open = async (kept: KeptPot) => navigateTo((await potStore()).open(kept))
  const star = (kept: KeptPot) => attempt(() => save({ ...kept, favourite: !kept.favourite }))
  const copy = (kept: KeptPot, name: string) =>
    attempt(() => store.add({ name: name.slice(0, LENGTH.potName), content: kept.content }))
  return { ...actions, describe, open, star, copy }
}
