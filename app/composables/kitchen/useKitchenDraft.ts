import { useRefHistory } from '@vueuse/core'

/**
 * The kitchen as it is being changed on a screen: undo and redo over the one that all screens share (stores/kitchen),
 * which keeps it on the server a moment after each change, in whatever order screens are opened and left.
 */
export function useKitchenDraft() {
  const store = useKitchenStore()
  const { kitchen, state, failure } = storeToRefs(store)
  const { undo, redo, canUndo, canRedo, clear } = useRefHistory(kitchen, { deep: true, capacity: 60 })
  // What another device has done is not this one's to undo.
  watch(
    () => store.takenOver,
    () => clear(),
    { flush: 'post' },
  )
  const { problemText } = useI18nText()
  /** The sentence for a place in the document. */
  const errorAt = (path: string) => {
    const found = failure.value?.problems.find((problem) => problem.path === `content.${path}`)
    return found ? problemText(found) : null
  }
  const draft = computed({ get: () => kitchen.value!, set: (value) => (kitchen.value = value) })
  return { draft, undo, redo, canUndo, canRedo, state, failure, save: store.save, errorAt }
}
