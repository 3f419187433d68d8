import { useDebounceFn, useRefHistory } from '@vueuse/core'
import type { Kitchen } from '~~/shared/kitchen'

const SAVE_AFTER_MS = 700

/**
 * The kitchen as it is being changed: kept on the server a moment after each change, with undo and redo.
 * What the server refuses stays in the draft, with the reasons beside it.
 */
export function useKitchenDraft() {
  const store = useKitchenStore()
  const draft = ref<Kitchen>(structuredClone(toRaw(store.kitchen!)))
  const { undo, redo, canUndo, canRedo, clear } = useRefHistory(draft, { deep: true, capacity: 60 })
  const state = ref<'kept' | 'waiting' | 'refused'>('kept')
  const failure = ref<ApiFailure | null>(null)

  const contentOf = ({ version: _, ...content }: Kitchen) => JSON.stringify(content)
  let keptContent = contentOf(draft.value)

  async function save(): Promise<void> {
    const sent = structuredClone(toRaw(draft.value))
    if (contentOf(sent) === keptContent) {
      state.value = 'kept'
      failure.value = null
      return
    }
    try {
      const kept = await $fetch<Kitchen>('/api/kitchen', {
        method: 'PUT',
        body: { ...sent, version: store.kitchen!.version },
      })
      store.kitchen = kept
      keptContent = contentOf(sent)
      failure.value = null
      if (contentOf(draft.value) === keptContent) state.value = 'kept'
      else await save()
    } catch (error) {
      failure.value = failureOf(error)
      state.value = 'refused'
    }
  }
  const saveSoon = useDebounceFn(save, SAVE_AFTER_MS)
  watch(
    draft,
    () => {
      state.value = 'waiting'
      void saveSoon()
    },
    { deep: true },
  )

  // Whoever leaves within the moment that saving waits loses nothing.
  onBeforeUnmount(() => void save())

  /** Takes the kitchen as another device left it; what is here goes. */
  async function reload() {
    await store.load()
    if (!store.kitchen) return
    draft.value = structuredClone(toRaw(store.kitchen))
    keptContent = contentOf(draft.value)
    failure.value = null
    clear()
  }

  /** The server's sentence for a place in the document. */
  const errorAt = (path: string) => failure.value?.problems.find((problem) => problem.path === path)?.message ?? null

  return { draft, undo, redo, canUndo, canRedo, state, failure, save, reload, errorAt }
}
