import { useEventListener } from '@vueuse/core'

/** Ctrl Z and Ctrl Shift Z, and Ctrl S where there is something to save; in a text field they are the browser's own. */
export function useUndoKeys(does: { undo: () => unknown; redo?: () => unknown; save?: () => unknown }): void {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest('input, textarea')) return
    const key = event.key.toLowerCase()
    const act = key === 'z' ? (event.shiftKey ? does.redo : does.undo) : key === 's' ? does.save : undefined
    if (!act) return
    event.preventDefault()
    act()
  })
}
