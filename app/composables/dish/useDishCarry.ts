import { createInjectionState, useEventListener } from '@vueuse/core'

/** Less is a press, not a carry. */
const LEAST_WAY_PX = 6

/** An ingredient carried by finger, pen or mouse onto a stage, which bears data-stage; Escape puts it back. */
export const [provideDishCarry, useDishCarryInjected] = createInjectionState(
  (land: (line: string, stage: string) => void) => {
    const pressed = shallowRef<{ id: string; name: string; pointer: number; x: number; y: number } | null>(null)
    const carried = shallowRef<{ id: string; name: string; x: number; y: number; onto: string | null } | null>(null)

    function pickUp(
      { button, pointerId: pointer, clientX: x, clientY: y }: PointerEvent,
      line: { id: string; name: string },
    ) {
      if (button === 0) pressed.value = { ...line, pointer, x, y }
    }
    function move({ pointerId, clientX: x, clientY: y }: PointerEvent) {
      if (pressed.value?.pointer !== pointerId) return
      const { id, name, x: fromX, y: fromY } = pressed.value
      if (!carried.value && Math.hypot(x - fromX, y - fromY) < LEAST_WAY_PX) return
      const onto = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-stage]')?.dataset.stage ?? null
      carried.value = { id, name, x, y, onto }
    }
    function letGo(event: PointerEvent) {
      if (pressed.value?.pointer !== event.pointerId) return
      move(event)
      const { id, onto } = carried.value ?? {}
      putBack()
      if (id && onto) land(id, onto)
    }
    function putBack() {
      pressed.value = null
      carried.value = null
    }
    useEventListener(document, 'pointermove', move)
    useEventListener(document, 'pointerup', letGo)
    useEventListener(document, 'pointercancel', putBack)
    useEventListener(document, 'keydown', ({ key }) => key === 'Escape' && putBack())
    const isCarried = (id: string) => carried.value?.id === id
    const isOver = (stage: string) => carried.value?.onto === stage
    return { pickUp, carried, isCarried, isOver }
  },
)
/** For what lies on a screen that provides it. */
export const useDishCarry = () => useDishCarryInjected()!
