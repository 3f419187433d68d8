import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import type { KeptPot, Pot, SavePot } from '~~/shared/pot'

/** The pots that the household has kept, newest change first. */
export const usePotsStore = defineStore('pots', () => {
  const pots = ref<KeptPot[] | null>(null)
  const failure = ref<ApiFailure | null>(null)

  async function load() {
    failure.value = null
    try {
      pots.value = await $fetch<KeptPot[]>('/api/pots')
    } catch (error) {
      failure.value = failureOf(error)
    }
  }

  const put = (pot: KeptPot) => {
    pots.value = [pot, ...(pots.value ?? []).filter(({ id }) => id !== pot.id)]
    return pot
  }

  /** Keeps a pot; throws what the server refuses. */
  const save = async (id: string, body: SavePot): Promise<KeptPot> =>
    put(await $fetch<KeptPot>(`/api/pots/${id}`, { method: 'PUT', body }))

  const add = (name: string, pot: Pot) => save(uuid(), { version: 0, name, favourite: false, pot })

  async function remove(pot: KeptPot) {
    await $fetch(`/api/pots/${pot.id}`, { method: 'DELETE' })
    pots.value = (pots.value ?? []).filter(({ id }) => id !== pot.id)
  }

  return { pots, failure, load, save, add, remove }
})
