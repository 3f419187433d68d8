import { useLocalStorage } from '@vueuse/core'
import { STORED } from '~/composables/storageShape'

/** How far a dish has been cooked on this device. */
export interface BegunDish {
  /** The stage it is at, by its place. */
  at: number
  /** When the clock of a stage was started, in ms since 1970. */
  clocks: Record<string, number>
  /** The runs of its pot stages. */
  runs: Record<string, string>
}
const NOT_BEGUN: BegunDish = { at: 0, clocks: {}, runs: {} }

/** The dishes that are being cooked here, by their ids; kept over reloads. */
export function useBegunDishes() {
  const all = useLocalStorage<Record<string, BegunDish>>(STORED.dishesBegun, {})
  const of = (id: string) => all.value[id] ?? NOT_BEGUN
  const change = (id: string, part: Partial<BegunDish>) => (all.value = { ...all.value, [id]: { ...of(id), ...part } })
  function end(id: string) {
    const { [id]: _, ...others } = all.value
    all.value = others
  }
  /** The dish of which a run is a pot stage; null for a pot by itself. */
  const dishOfRun = (runId: string) =>
    Object.entries(all.value).find(([, { runs }]) => Object.values(runs).includes(runId))?.[0] ?? null
  return { of, change, end, dishOfRun }
}
