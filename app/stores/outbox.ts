import { MINUTE_MS } from '~~/core/measure/time'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import type { RunEvent } from '~~/core/live/event.schema'
import type { KeptEvent, KeptPot, RunWithPlan } from '~~/shared/household'
import type { SavePlan, StartRun } from '~~/shared/plan.schema'
import { STORED } from '~/composables/documents/storageShape'

interface Entry {
  runId: string
  event: RunEvent
}
/** A run that was started while there was no network. */
interface Start {
  plan: SavePlan
  run: StartRun
}

/** A run whose event the server fails over is let be for so long at first. */
const FIRST_REST_MS = 3000
/** And then for longer and longer, up to this. */
const LONGEST_REST_MS = MINUTE_MS
/** What the run itself will not take: sending it again would change nothing. */
const FINAL = [400, 404, 409, 413, 422]

/**
 * What happened at the stove and has not reached the server yet. It is kept on the device, over reloads, and
 * sent in the order in which it happened, each event once: the server knows an event by its id. One run's trouble
 * does not hold up another's.
 */
export const useOutbox = defineStore('outbox', () => {
  const entries = useLocalStorage<Entry[]>(STORED.outbox, [])
  const starts = useLocalStorage<Start[]>(STORED.starts, [])
  /** The last event of each run that the server would not take, and why. */
  const refused = shallowReactive(new Map<string, string>())
  /** Runs of which the server fails over an event: how often in a row, and when it is tried again. */
  const resting = shallowReactive(new Map<string, { times: number; untilMs: number }>())

  const isStarting = (runId: string) => starts.value.some(({ run }) => run.id === runId)
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
    if (sending || (entries.value.length === 0 && starts.value.length === 0)) return
    sending = true
    try {
      await alone(sendAll)
    } finally {
      sending = false
    }
  }

  async function sendAll() {
    if ((await sendStarts()) === 'no-network') return
    for (;;) {
      const nowMs = Date.now()
      const entry = entries.value.find(({ runId }) => !isStarting(runId) && (resting.get(runId)?.untilMs ?? 0) <= nowMs)
      if (!entry || (await sendOne(entry)) === 'no-network') return
    }
  }

  /** Starts a run that the server has not heard of; it is sent before whatever happened in it. */
  function addStart(start: Start) {
    starts.value = [...starts.value, start]
    void send()
  }

  async function sendStarts(): Promise<'done' | 'no-network'> {
    for (const start of starts.value) {
      if ((resting.get(start.run.id)?.untilMs ?? 0) > Date.now()) continue
      const { plan, run } = start
      try {
        await api('/plans', { method: 'POST', body: plan })
        const { pot, ...started } = await api<RunWithPlan & { pot: KeptPot | null }>('/runs', {
          method: 'POST',
          body: run,
        })
        useRunsStore().put(started)
        if (pot) {
          const kept = usePotsStore().put(pot)
          void potStore().then(({ keptChanged }) => keptChanged(kept))
        }
      } catch (error) {
        const { kind, status, problems } = failureOf(error)
        if (kind === 'network') return 'no-network'
        // Its pot stands on the flame: what was seen there stays and goes on counting here, whatever the server says.
        if (FINAL.includes(status ?? 0)) refused.set(run.id, problems[0]?.code ?? problems[0]?.message ?? '')
        rest(run.id)
        continue
      }
      resting.delete(run.id)
      starts.value = starts.value.filter((one) => one.run.id !== run.id)
    }
    return 'done'
  }

  /** Lets a run be for a while, longer each time. */
  function rest(runId: string) {
    const times = (resting.get(runId)?.times ?? 0) + 1
    const restMs = Math.min(LONGEST_REST_MS, FIRST_REST_MS * 2 ** (times - 1))
    resting.set(runId, { times, untilMs: Date.now() + restMs })
  }

  async function sendOne({ runId, event }: Entry): Promise<'done' | 'no-network'> {
    const runs = useRunsStore()
    try {
      const { events } = await api<{ events: KeptEvent[] }>(`/runs/${runId}/events`, {
        method: 'POST',
        body: event,
        timeout: 15_000,
      })
      runs.setEvents(runId, events)
    } catch (error) {
      const { kind, status, problems } = failureOf(error)
      if (kind === 'network') return 'no-network'
      if (!FINAL.includes(status ?? 0)) {
        rest(runId)
        return 'done'
      }
      refused.set(runId, problems[0]?.code ?? problems[0]?.message ?? '')
      void runs.loadOne(runId)
    }
    resting.delete(runId)
    entries.value = entries.value.filter((entry) => entry.event.id !== event.id)
    return 'done'
  }

  whenReachable(send)
  void send()

  return { entries, starts, refused, resting, of, isStarting, add, addStart, send }
})
