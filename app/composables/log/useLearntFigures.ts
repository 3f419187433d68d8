import type { LearntWithEvidence } from '~~/shared/household'

const ASK_AGAIN_MS = 1500

/** What the log has taught with its evidence, as the server last told it. */
export function useLearntFigures() {
  const learnt = shallowRef<LearntWithEvidence | null>(null)
  const failure = ref<ApiFailure | null>(null)
  let gone = false
  onScopeDispose(() => (gone = true))
  async function load() {
    try {
      learnt.value = await api<LearntWithEvidence>('/learnt/figures')
      failure.value = null
      // What is still being worked out is asked for again.
      if (learnt.value.pending > 0 && !gone) setTimeout(() => void load(), ASK_AGAIN_MS)
    } catch (error) {
      failure.value = failureOf(error)
    }
  }
  void load()

  /** The figures that were last forgotten, and what they are called: they can be known again. */
  const forgotten = ref<{ ids: string[]; name: string } | null>(null)
  const busy = ref(false)
  async function change(path: '/learnt/forget' | '/learnt/remember', ids: string[]) {
    busy.value = true
    try {
      await api(path, { method: 'POST', body: { figures: ids } })
      await Promise.all([load(), useLearntStore().load()])
    } catch (error) {
      failure.value = failureOf(error)
    } finally {
      busy.value = false
    }
  }
  async function forget(ids: string[], name: string) {
    await change('/learnt/forget', ids)
    if (!failure.value) forgotten.value = { ids, name }
  }
  async function remember() {
    const last = forgotten.value
    if (!last) return
    forgotten.value = null
    await change('/learnt/remember', last.ids)
  }
  return { learnt, failure, load, forgotten, busy, forget, remember }
}
