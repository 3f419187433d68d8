import { useEventListener, useIntervalFn, useLocalStorage } from '@vueuse/core'
import { v4 as uuid } from 'uuid'
import { refusalOf, runState, type RunEvent, type RunEventData } from '~~/core/live/run'
import { holdsPressure } from '~~/core/pot/appliance'
import type { RunWithPlan } from '~~/shared/kitchen'

const ASK_EVERY_MS = 1500

/**
 * One run as this device sees it: the events the server has, and after them those that this device
 * has not been able to send yet. They are kept on the device and sent in order, once each.
 */
export function useRun(runId: string) {
  const run = shallowRef<RunWithPlan | null>(null)
  const failure = ref<ApiFailure | null>(null)
  /** The last event that the run would not take, and why. */
  const refused = ref<string | null>(null)
  const unsent = useLocalStorage<RunEvent[]>(`bivvet-unsent-${runId}`, [])

  const events = computed<RunEvent[]>(() => {
    const stored = run.value?.events ?? []
    const known = new Set(stored.map(({ id }) => id))
    return [...stored, ...unsent.value.filter(({ id }) => !known.has(id))]
  })
  const state = computed(() => runState(events.value))

  async function load() {
    try {
      const loaded = await $fetch<RunWithPlan>(`/api/runs/${runId}`)
      // What was sent meanwhile must not vanish because this answer left the server before it.
      if ((run.value?.events.length ?? 0) <= loaded.events.length) run.value = loaded
      failure.value = null
    } catch (error) {
      failure.value = failureOf(error)
    }
  }

  let sending = false
  async function send() {
    if (sending) return
    sending = true
    try {
      while (unsent.value.length > 0) {
        const event = unsent.value[0]!
        try {
          const { events: stored } = await $fetch<{ events: RunEvent[] }>(`/api/runs/${runId}/events`, {
            method: 'POST',
            body: event,
          })
          if (run.value) run.value = { ...run.value, events: stored }
        } catch (error) {
          const failed = failureOf(error)
          if (failed.kind === 'network') return
          refused.value = failed.problems[0]?.message ?? null
          await load()
        }
        unsent.value = unsent.value.filter(({ id }) => id !== event.id)
      }
    } finally {
      sending = false
    }
  }

  /** Writes down that something happened now. False, with `refused` set, if it cannot have. */
  function add(data: RunEventData): boolean {
    const event: RunEvent = { id: uuid(), at: Date.now(), data }
    // Until the plan is here the cautious rule holds.
    const underPressure = !run.value || holdsPressure(run.value.plan.answer.simulation.appliance)
    const refusal = refusalOf(events.value, event, { underPressure }, Date.now())
    refused.value = refusal
    if (refusal) return false
    unsent.value = [...unsent.value, event]
    void send()
    return true
  }

  function undo() {
    const of = state.value.lastEventId
    if (of) add({ kind: 'undo', of })
  }

  void load().then(send)
  useIntervalFn(() => {
    if (document.visibilityState === 'hidden') return
    void send().then(load)
  }, ASK_EVERY_MS)
  useEventListener(window, 'online', () => void send())

  return { run, failure, refused, unsent, events, state, add, undo, load }
}
