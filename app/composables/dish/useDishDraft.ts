import { useRefHistory } from '@vueuse/core'
import type { DishDocument } from '~~/shared/dish'
import { mergedDish } from '~~/shared/merge-dish'

const MOST_UNDO = 120

/** A dish as it is being changed, with undo and redo over all of it. */
export function useDishDraft(id: string) {
  const store = useDishesStore()
  const { content: dish, ...synced } = syncedDocument('dish', id, {
    merge: together,
    onKept: (kept) => store.put(kept),
  })
  const { undo, redo, canUndo, canRedo, clear } = useRefHistory(dish, { deep: true, capacity: MOST_UNDO })
  // What another device has done is not this one's to undo.
  watch(synced.takenOver, () => clear(), { flush: 'post' })
  watch(
    () => store.dishes?.find((one) => one.id === id)?.version,
    (now) => now !== undefined && now !== synced.version() && void synced.load(),
  )
  void synced.load()
  /** What this device and another have both changed, and the dish with both. */
  const both = computed(() => {
    const base = synced.base()
    return base && synced.theirs.value && dish.value ? mergedDish(base, synced.theirs.value.content, dish.value) : null
  })
  const putTogether = () => both.value && synced.putTogether(both.value.dish)
  return { dish, ...synced, both, putTogether, undo, redo, canUndo, canRedo }
}

/** Both, where neither has changed what the other has. */
function together(base: DishDocument, theirs: DishDocument, ours: DishDocument): DishDocument | null {
  const { dish, clashes } = mergedDish(base, theirs, ours)
  return clashes.length === 0 ? dish : null
}
