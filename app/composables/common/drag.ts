import type { DragGesture, Handler } from '@use-gesture/vanilla'
import { useEventListener } from '@vueuse/core'
import type { Directive } from 'vue'

/** What follows a drag: called at each move, and a last time when it ends. */
export type OnDrag = Handler<'drag'>

/** Less is a press, not a drag. */
const LEAST_WAY_PX = 6
const gestures = new WeakMap<Element, { gesture?: DragGesture; onDrag: OnDrag }>()

/**
 * `v-drag="onDrag"`: an element that is dragged by finger, pen or mouse. The press that ends a drag is no click. Keys
 * are the element's own.
 */
export const vDrag: Directive<HTMLElement | SVGElement, OnDrag> = {
  mounted(element, { value }) {
    gestures.set(element, { onDrag: value })
    // The library is loaded where something can be dragged: a page of which nothing can does without it.
    void import('@use-gesture/vanilla').then(({ DragGesture }) => {
      const known = gestures.get(element)
      if (!known) return
      known.gesture = new DragGesture(
        element,
        (state) => {
          // The library ends a drag whose pointer was taken away (a call, a scroll) as if it had been let go.
          const canceled = state.canceled || /cancel|lost/i.test(state.event.type)
          if (!state.tap) known.onDrag({ ...state, canceled })
        },
        { threshold: LEAST_WAY_PX, filterTaps: true, pointer: { keys: false } },
      )
    })
  },
  updated(element, { value }) {
    gestures.get(element)!.onDrag = value
  },
  unmounted(element) {
    gestures.get(element)?.gesture?.destroy()
    gestures.delete(element)
  },
}

/**
 * Something that is carried over the screen and put down on what lies beneath the pointer. `carry` is for `v-drag`.
 * Escape puts it back.
 */
export function useCarrying<Load, Landing>(
  landingOn: (under: Element, load: Load) => Landing | null,
  land: (load: Load, onto: Landing) => void,
) {
  const carried = shallowRef<{ load: Load; x: number; y: number; onto: Landing | null } | null>(null)
  let cancelDrag = () => {}

  const carry =
    (load: Load): OnDrag =>
    ({ xy: [x, y], last, canceled, cancel }) => {
      if (canceled) return void (carried.value = null)
      cancelDrag = cancel
      const under = document.elementFromPoint(x, y)
      const onto = under && landingOn(under, load)
      carried.value = last ? null : { load, x, y, onto }
      if (last && onto) land(load, onto)
    }
  function putBack() {
    if (carried.value) cancelDrag()
    carried.value = null
  }
  useEventListener(document, 'keydown', ({ key }) => key === 'Escape' && putBack())
  return { carry, carried }
}
