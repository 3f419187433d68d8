/** What can be done with a document that is kept under a name, from a list: taken off, and put back. */
export function useKeptActions<K extends { id: string }>(store: {
  remove(one: K): Promise<unknown>
  save(one: K): Promise<unknown>
}) {
  const removed = shallowRef<K | null>(null)
  const failed = ref(false)

  async function attempt(work: () => Promise<unknown>): Promise<void> {
    failed.value = false
    try {
      await work()
    } catch {
      failed.value = true
    }
  }
  const remove = (one: K) =>
    attempt(async () => {
      await store.remove(one)
      removed.value = one
    })
  const putBack = () =>
    attempt(async () => {
      if (removed.value) await store.save(removed.value)
      removed.value = null
    })
  return { removed, failed, attempt, remove, putBack }
}
