import { createInjectionState } from '@vueuse/core'

const stageUnder = (under: Element) => under.closest<HTMLElement>('[data-stage]')?.dataset.stage ?? null

/** A line or a stage, by its id. */
export interface DishLoad {
  kind: 'line' | 'stage'
  id: string
  name: string
}

/** An ingredient is put down on a stage, which bears data-stage; a stage where another one stands. */
export const [provideDishCarry, useDishCarryInjected] = createInjectionState(
  (land: (load: DishLoad, stage: string) => void) => {
    const { carry, carried } = useCarrying<DishLoad, string>(stageUnder, land)
    const isCarried = (kind: DishLoad['kind'], id: string) =>
      carried.value?.load.kind === kind && carried.value.load.id === id
    const isOver = (stage: string) => carried.value?.onto === stage
    return { carry, carried, isCarried, isOver }
  },
)
/** For what lies on a screen that provides it. */
export const useDishCarry = () => useDishCarryInjected()!
