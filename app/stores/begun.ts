import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { STORED } from '~/composables/documents/storageShape'
import type { BegunDish, SayBegun } from '~~/shared/dish.schema'
import type { BegunDishes } from '~~/shared/household'

const NOT_BEGUN: BegunDish = { at: 0, clocks: {}, runs: {} }

const joined = (one: SayBegun, then: SayBegun): SayBegun => ({
  ...one,
  ...then,
  clocks: { ...one.clocks, ...then.clocks },
  runs: { ...one.runs, ...then.runs },
})

/**
 * The dishes that are being cooked, on whichever device: what is done here is seen at once, and told to the others when
 * the server can be reached.
 */
export const useBegunStore = defineStore('begun', () => {
  /** As the server had it last; kept here, so that a reload without a network begins nothing anew. */
  const told = useLocalStorage<BegunDishes>(STORED.dishesCooked, {}, { shallow: true })
  /** What this device has done that the server does not know yet, null where it has ended it; kept over reloads. */
  const unsent = useLocalStorage<Record<string, SayBegun | null>>(STORED.dishesBegun, {}, { shallow: true })

  const without = <Of>(all: Record<string, Of>, id: string) => {
    const { [id]: _, ...others } = all
    return others
  }
  const all = computed<BegunDishes>(() => {
    let known = told.value
    for (const [id, said] of Object.entries(unsent.value))
      known = said === null ? without(known, id) : { ...known, [id]: joined(known[id] ?? NOT_BEGUN, said) as BegunDish }
    return known
  })
  const of = (id: string) => all.value[id] ?? NOT_BEGUN
  /** The dish of which a run is a pot stage; null for a pot by itself. */
  const dishOfRun = (runId: string) =>
    Object.entries(all.value).find(([, { runs }]) => Object.values(runs).includes(runId))?.[0] ?? null

  const meanwhile = noteMeanwhile<BegunDish | null>()
  const tell = (id: string, now: BegunDish | null) => {
    meanwhile.note(id, now)
    told.value = now === null ? without(told.value, id) : { ...told.value, [id]: now }
  }
  async function load() {
    try {
      const [fetched, noted] = await meanwhile.during(() => api<BegunDishes>('/dishes/begun'))
      told.value = fetched
      for (const [id, now] of noted) tell(id, now)
    } catch {
      // What this device knows is shown meanwhile; the next change event or the next try brings the rest.
    }
  }

  function say(id: string, said: SayBegun) {
    unsent.value = { ...unsent.value, [id]: joined(unsent.value[id] ?? {}, said) }
    void send()
  }
  function end(id: string) {
    unsent.value = { ...unsent.value, [id]: null }
    void send()
  }

  const send = oneAtATime(sendAll)
  async function sendAll() {
    for (const [id, said] of Object.entries(unsent.value)) {
      try {
        if (said === null) {
          await api(`/dishes/${id}/begun`, { method: 'DELETE' })
          tell(id, null)
        } else {
          const now = await api<BegunDish>(`/dishes/${id}/begun`, { method: 'PUT', body: said })
          tell(id, now)
        }
      } catch (error) {
        // A dish that is gone is cooked no more; whatever else went wrong is tried again.
        if (failureOf(error).status !== 404) continue
      }
      if (unsent.value[id] === said) unsent.value = without(unsent.value, id)
    }
  }

  whenChanged('begun', () => void load())
  const tryAgain = () => Object.keys(unsent.value).length > 0 && void send()
  whenReachable(tryAgain)
  void load()
  return { all, of, dishOfRun, load, say, end }
})
