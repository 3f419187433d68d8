import { useEventListener, useIntervalFn, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import type { RunEvent } from '~~/core/live/run'

interface Entry {
  runId: string
  event: RunEvent
}

const TRY_AGAIN_MS = 3000
/** No such run, not in turn, or not an event at all: sending it again would change nothing. */
const FINAL = [404, 409, 422]

/**
 * What happened at the stove and has not reached the server yet. It is kept on the device, over reloads, and
 * sent in the order in which it happened, each event once: the server knows an event by its id.
 */
export const useOutbox = defineStore('outbox', () => {
  const entries = useLocalStorage<Entry[]>('bivvet-outbox', [])
  /** The last event of each run that the server would not take, and why. */
  const refused = shallowReactive(new Map<string, string>())
  const runs = useRunsStore()

  const of = (runId: string) => entries.value.filter((entry) => entry.runId === runId).map(({ event }) => event)

  function add(runId: string, event: RunEvent) {
    refused.delete(runId)
    entries.value = [...entries.value, { runId, event }]
    void send()
  }

  /** Several pages of one device take turns, where the browser lets them. */
  const alone = (work: () => Promise<void>) =>
    navigator.locks ? navigator.locks.request('bivvet-outbox', { ifAvailable: true }, (lock) => lock && work()) : work()

  let sending = false
  async function send() {
    if (sending || entries.value.length === 0) return
    sending = true
    try {
      await alone(sendAll)
    } finally {
      sending = false
    }
  }

  async function sendAll() {
    while (entries.value.length > 0) {
      const { runId, event } = entries.value[0]!
      try {
        const { events } = await $fetch<{ events: RunEvent[] }>(`/api/runs/${runId}/events`, {
          method: 'POST',
          body: event,
          timeout: 10_000,
        })
        runs.setEvents(runId, events)
      } catch (error) {
        const failure = failureOf(error)
        // Only what the run itself will not take is given up; a device that must join again keeps what it saw.
        if (failure.kind === 'network' || !FINAL.includes(failure.status ?? 0)) return
        refused.set(runId, failure.problems[0]?.code ?? failure.problems[0]?.message ?? '')
        await runs.loadOne(runId)
      }
      entries.value = entries.value.filter((entry) => entry.event.id !== event.id)
    }
  }

  useIntervalFn(() => void send(), TRY_AGAIN_MS)
  useEventListener(window, 'online', () => void send())
  void send()

  return { entries, refused, of, add, send }
})
