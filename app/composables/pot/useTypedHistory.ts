import { useManualRefHistory, watchDebounced } from '@vueuse/core'
import type { Ref } from 'vue'

const STEP_MS = 350
const MOST_STEPS = 120

/** Undo and redo over what is typed: what changes in one go, letter by letter, is one step. */
export function useTypedHistory<T>(of: Ref<T>) {
  const history = useManualRefHistory(of, { clone: true, capacity: MOST_STEPS })
  let settled = JSON.stringify(of.value)

  /** Makes what has changed since the last step a step of its own; nothing if nothing has. */
  function settle() {
    const now = JSON.stringify(of.value)
    if (now === settled) return
    settled = now
    history.commit()
  }
  watchDebounced(of, settle, { deep: true, debounce: STEP_MS })

  function step(back: boolean) {
    settle()
    if (back) history.undo()
    else history.redo()
    settled = JSON.stringify(of.value)
  }
  const { canUndo, canRedo } = history
  return { settle, undo: () => step(true), redo: () => step(false), canUndo, canRedo }
}
