import { v4 as uuid } from 'uuid'
import type { Kept, ToSave } from '~~/shared/document'
import type { Contents } from '~~/shared/documents'
import type { KeptKind } from '~~/shared/names'

/**
 * Documents of a kind that the household keeps, newest change first: fetched when they are asked for, changed on the
 * server and here in one go, and told of by the other devices. For stores.
 */
export function keptList<Kind extends KeptKind>(kind: Kind) {
  type K = Kept<Contents[Kind]>
  const path = `/documents/${kind}`
  const all = shallowRef<K[] | null>(null)
  const failure = ref<ApiFailure | null>(null)
  const meanwhile = noteMeanwhile<K | null>()
  let loading: Promise<void> = Promise.resolve()

  const load = () => (loading = fetchAll())
  async function fetchAll() {
    failure.value = null
    try {
      const [fetched, noted] = await meanwhile.during(() => api<K[]>(path))
      const kept = [...noted.values()].filter((one) => one !== null).reverse()
      all.value = [...kept, ...fetched.filter(({ id }) => !noted.has(id))]
    } catch (error) {
      failure.value = failureOf(error)
    }
  }

  const put = (one: K) => {
    meanwhile.note(one.id, one)
    all.value = [one, ...(all.value ?? []).filter(({ id }) => id !== one.id)]
    return one
  }
  const drop = (id: string) => {
    meanwhile.note(id, null)
    all.value = (all.value ?? []).filter((one) => one.id !== id)
  }

  /** One as it stands now; throws what the server refuses. */
  const fetchOne = (id: string) => api<K>(`${path}/${id}`)

  /** Keeps one; throws what the server refuses. */
  const save = async (id: string, { version, name, favourite, content }: ToSave<K['content']>): Promise<K> =>
    put(await api<K>(`${path}/${id}`, { method: 'PUT', body: { version, name, favourite, content } }))
  const add = (document: Omit<ToSave<K['content']>, 'version'>, id = uuid()) => save(id, { version: 0, ...document })

  async function remove({ id }: Pick<K, 'id'>) {
    await api(`${path}/${id}`, { method: 'DELETE' })
    drop(id)
  }

  whenChanged(kind, async (id) => {
    // A list that is on its way may have been written before it.
    await loading
    if (all.value === null) return
    if (id === null) return void load()
    try {
      const now = await fetchOne(id)
      // What was kept here since it was asked for is newer.
      if (now.version > (all.value.find((one) => one.id === id)?.version ?? 0)) put(now)
    } catch (error) {
      if (failureOf(error).status === 404) drop(id)
    }
  })

  return { all, failure, load, fetchOne, put, save, add, remove }
}
