import { createInjectionState } from '@vueuse/core'

const stageUnder = (under: Element) => under.closest<HTMLElement>('[data-stage]')?.dataset.stage ?? null

/** An ingredient is put down on a stage, which bears data-stage. */
export const [provideDishCarry, useDishCarryInjected] = createInjectionState(
  (land: (line: string, stage: string) => void) => {
    const { carry, carried } = useCarrying<{ id: string; name: string }, string>(stageUnder, ({ id }, onto) =>
      land(id, onto),
    )
    const isCarried = (id: string) => carried.value?.load.id === id
    const isOver = (stage: string) => carried.value?.onto === stage
    return { carry, carried, isCarried, isOver }
  },
)
/** For what lies on a screen that provides it. */
export const useDishCarry = () => useDishCarryInjected()!
