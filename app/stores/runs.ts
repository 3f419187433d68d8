import { useEventListener, useEventSource, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { isRunning, runState, type RunEvent } from '~~/core/live/run'
import type { RunWithPlan } from '~~/shared/kitchen'

/** A run that was started and not lit yet stands among the running ones for so long. */
const READY_MS = 3 * 3_600_000

/** The household's runs, newest first, as this device last heard of them. */
export const useRunsStore = defineStore('runs', () => {
  const runs = shallowRef<RunWithPlan[] | null>(null)
  const failure = ref<ApiFailure | null>(null)
  const missing = shallowReactive(new Map<string, ApiFailure>())
  /** Runs that go on, kept on the device so that a reload without a network shows them. */
  const kept = useLocalStorage<RunWithPlan[]>('bivvet-running', [], { shallow: true })

  async function load() {
    try {
      const loaded = await $fetch<RunWithPlan[]>('/api/runs')
      runs.value = loaded.map((run) => newer(run, one(run.id)))
      failure.value = null
    } catch (error) {
      failure.value = failureOf(error)
      runs.value ??= kept.value.length > 0 ? kept.value : null
    }
  }

  async function loadOne(runId: string) {
    try {
      put(await $fetch<RunWithPlan>(`/api/runs/${runId}`))
      missing.delete(runId)
    } catch (error) {
      if (!one(runId)) missing.set(runId, failureOf(error))
    }
  }

  const one = (runId: string) => runs.value?.find(({ id }) => id === runId) ?? kept.value.find(({ id }) => id === runId)

  /** An answer that left the server before the last event must not take it back. */
  function newer(run: RunWithPlan, known: RunWithPlan | undefined): RunWithPlan {
    return known && known.events.length > run.events.length ? { ...run, events: known.events } : run
  }

  function put(run: RunWithPlan) {
    const list = runs.value ?? []
    const next = newer(run, one(run.id))
    runs.value = list.some(({ id }) => id === run.id)
      ? list.map((other) => (other.id === run.id ? next : other))
      : [next, ...list]
  }

  function setEvents(runId: string, events: RunEvent[]) {
    const known = one(runId)
    if (known) put({ ...known, events })
  }

  const isOn = (run: RunWithPlan, events: readonly RunEvent[]) => {
    const state = runState(events)
    return (
      isRunning(run.plan.answer, state) ||
      (state.phase === 'ready' && Date.now() - Date.parse(run.createdAt) < READY_MS)
    )
  }
  /** Runs that somebody still has to look after. */
  const running = computed(() => {
    const outbox = useOutbox()
    return (runs.value ?? []).filter((run) => isOn(run, withUnsent(run.events, outbox.of(run.id))))
  })
  watch(running, (now) => (kept.value = now))

  // The server tells of every change, on this and every other device; after a gap everything is looked at.
  const news = useEventSource('/api/news', [] as const, { autoReconnect: { delay: 1500 } })
  watch(
    news.eventSource,
    (source) =>
      source?.addEventListener('message', ({ data }: MessageEvent<string>) => void (data ? loadOne(data) : load())),
    { immediate: true },
  )
  useEventListener(document, 'visibilitychange', () => document.visibilityState === 'visible' && void load())
  useEventListener(window, 'online', () => void load())

  return { runs, failure, missing, load, loadOne, one, setEvents, running }
})

/** The events that the server has, and after them those that this device has not been able to send yet. */
export function withUnsent(stored: readonly RunEvent[], unsent: readonly RunEvent[]): RunEvent[] {
  const known = new Set(stored.map(({ id }) => id))
  return [...stored, ...unsent.filter(({ id }) => !known.has(id))]
}
