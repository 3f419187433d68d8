import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import type { KeptPot } from '~~/shared/household'
import type { Pot } from '~~/shared/pot'
import type { SavePot } from '~~/shared/pot.schema'

/** The pots that the household has kept, newest change first. */
export const usePotsStore = defineStore('pots', () => {
  const pots = ref<KeptPot[] | null>(null)
  const failure = ref<ApiFailure | null>(null)

  async function load() {
    failure.value = null
    try {
      pots.value = await api<KeptPot[]>('/pots')
    } catch (error) {
      failure.value = failureOf(error)
    }
  }

  const put = (pot: KeptPot) => {
    pots.value = [pot, ...(pots.value ?? []).filter(({ id }) => id !== pot.id)]
    return pot
  }
  const drop = (id: string) => (pots.value = (pots.value ?? []).filter((pot) => pot.id !== id))

  /** One kept pot as it stands now; throws what the server refuses. */
  const fetchOne = (id: string) => api<KeptPot>(`/pots/${id}`)

  /** Keeps a pot; throws what the server refuses. */
  const save = async (id: string, body: SavePot): Promise<KeptPot> =>
    put(await api<KeptPot>(`/pots/${id}`, { method: 'PUT', body }))

  const add = (name: string, pot: Pot) => save(uuid(), { version: 0, name, favourite: false, pot })

  async function remove({ id }: KeptPot) {
    await api(`/pots/${id}`, { method: 'DELETE' })
    drop(id)
  }

  whenNews('pot', async (id) => {
    if (pots.value === null) return
    if (id === null) return void load()
    try {
      const now = await fetchOne(id)
      if (now.version !== pots.value.find((pot) => pot.id === id)?.version) put(now)
    } catch (error) {
      if (failureOf(error).status === 404) drop(id)
    }
  })

  return { pots, failure, load, fetchOne, put, save, add, remove }
})
