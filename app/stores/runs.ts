import { defineStore } from 'pinia'
import { runState } from '~~/core/live/run'
import type { RunWithPlan } from '~~/shared/kitchen'

/** The household's runs, newest first. */
export const useRunsStore = defineStore('runs', () => {
  const runs = ref<RunWithPlan[] | null>(null)
  const failure = ref<ApiFailure | null>(null)

  async function load() {
    failure.value = null
    try {
      runs.value = await $fetch<RunWithPlan[]>('/api/runs')
    } catch (error) {
      failure.value = failureOf(error)
    }
  }

  /** The newest run that somebody still has to look after. */
  const current = computed(
    () => runs.value?.find(({ events }) => ['heating', 'releasing', 'safe'].includes(runState(events).phase)) ?? null,
  )

  return { runs, failure, load, current }
})
