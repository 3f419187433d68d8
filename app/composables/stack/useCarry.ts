import { createInjectionState, useEventListener } from '@vueuse/core'

/** A food or a tin picked up on the stack screen. */
export interface Load {
  kind: 'food' | 'tin'
  /** The food's place in the list, or the tin's id. */
  id: string
  name: string
}
/** Where it would be put down: into a tin, onto a tier, into the base, or out of the pot. */
export type Landing = { at: 'tin'; id: string } | { at: 'tier'; tier: number } | { at: 'base' } | { at: 'out' }

/** Less is a press, not a carry. */
const LEAST_WAY_PX = 6

/**
 * Carrying by finger, pen or mouse alike: what is picked up follows the pointer, and lands on whatever
 * beneath it bears data-tin, data-tier, data-base or data-out. Escape puts it back.
 */
export const [provideCarry, useCarryInjected] = createInjectionState((land: (load: Load, onto: Landing) => void) => {
  const pressed = shallowRef<{ load: Load; pointer: number; x: number; y: number } | null>(null)
  const carried = shallowRef<{ load: Load; x: number; y: number; onto: Landing | null } | null>(null)

  function pickUp(event: PointerEvent, load: Load) {
    if (event.button !== 0) return
    pressed.value = { load, pointer: event.pointerId, x: event.clientX, y: event.clientY }
  }
  function move({ pointerId, clientX: x, clientY: y }: PointerEvent) {
    if (pressed.value?.pointer !== pointerId) return
    const { load, x: fromX, y: fromY } = pressed.value
    if (!carried.value && Math.hypot(x - fromX, y - fromY) < LEAST_WAY_PX) return
    carried.value = { load, x, y, onto: landingAt(x, y, load) }
  }
  function letGo(event: PointerEvent) {
    if (pressed.value?.pointer !== event.pointerId) return
    move(event)
    const { load, onto } = carried.value ?? {}
    putBack()
    if (load && onto) land(load, onto)
  }
  function putBack() {
    pressed.value = null
    carried.value = null
  }
  useEventListener(document, 'pointermove', move)
  useEventListener(document, 'pointerup', letGo)
  useEventListener(document, 'pointercancel', putBack)
  useEventListener(document, 'keydown', ({ key }) => key === 'Escape' && putBack())

  const isOver = (landing: Landing) => JSON.stringify(carried.value?.onto) === JSON.stringify(landing)
  const isCarried = (kind: Load['kind'], id: string) =>
    carried.value?.load.kind === kind && carried.value.load.id === id
  return { pickUp, carried, isOver, isCarried }
})

/** For what lies on a screen that provides it. */
export const useCarry = () => useCarryInjected()!

function landingAt(x: number, y: number, { kind }: Load): Landing | null {
  // A tin does not go into a tin: it takes that one's tier.
  const places =
    kind === 'food' ? '[data-tin],[data-tier],[data-base],[data-out]' : '[data-tier],[data-base],[data-out]'
  const found = document.elementFromPoint(x, y)?.closest<HTMLElement | SVGElement>(places)
  if (!found) return null
  const { tin, tier, base } = found.dataset
  if (kind === 'food' && tin !== undefined) return { at: 'tin', id: tin }
  if (tier !== undefined) return { at: 'tier', tier: Number(tier) }
  if (base !== undefined) return kind === 'tin' ? { at: 'tier', tier: 0 } : { at: 'base' }
  return { at: 'out' }
}
