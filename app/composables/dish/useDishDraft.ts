import { useRefHistory } from '@vueuse/core'

const MOST_UNDO = 120

/** A dish as it is being changed, with undo and redo over all of it. */
export function useDishDraft(id: string) {
  const store = useDishesStore()
  const { content: dish, ...synced } = syncedDocument('dish', id, { onKept: (kept) => store.put(kept) })
  const { undo, redo, canUndo, canRedo, clear } = useRefHistory(dish, { deep: true, capacity: MOST_UNDO })
  // What another device has done is not this one's to undo.
  watch(synced.takenOver, () => clear(), { flush: 'post' })
  watch(
    () => store.dishes?.find((one) => one.id === id)?.version,
    (now) => now !== undefined && now !== synced.version() && void synced.load(),
  )
  void synced.load()
  return { dish, ...synced, undo, redo, canUndo, canRedo }
}
