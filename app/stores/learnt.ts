import { useDebounceFn, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { believedOf, type LearntSums } from '~~/core/learn/sums'
import type { LearntForPlans } from '~~/shared/household'
import { STORED } from '~/composables/documents/storageShape'

const CHANGE_SETTLE_MS = 4000

/** What the household's log has taught; kept on the device, so that a pot without a network is planned with it too. */
export const useLearntStore = defineStore('learnt', () => {
  const kept = useLocalStorage<LearntSums | null>(STORED.learnt, null, {
    serializer: { read: (text) => JSON.parse(text) as LearntSums | null, write: JSON.stringify },
    shallow: true,
  })
  const runs = useRunsStore()
  /** Null where nothing has been learnt yet, or nothing is known of it here. */
  const believed = computed(() => (kept.value && kept.value.ids.length > 0 ? believedOf(kept.value) : null))

  async function load() {
    try {
      const { sums } = await api<LearntForPlans>('/learnt')
      if (JSON.stringify(sums) !== JSON.stringify(kept.value)) kept.value = sums
    } catch {
      // What was known stays: plans go on with it.
    }
  }

  void load()
  // A verdict comes as a change event of its run; what a run says counts once it is over.
  const soon = useDebounceFn(load, CHANGE_SETTLE_MS)
  whenChanged('learnt', () => void load())
  whenChanged('run', (id) => {
    if (!runs.running.some((run) => run.id === id)) void soon()
  })

  return { believed, load }
})
