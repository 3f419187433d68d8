import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { isRunning, runState } from '~~/core/live/run'
import { HOUR_MS } from '~~/core/measure/time'
import type { KeptEvent, RunPage, RunWithPlan } from '~~/shared/household'
import type { RunSaid, Verdict } from '~~/shared/run.schema'
import type { RunEvent } from '~~/core/live/event.schema'
import { STORED } from '~/composables/documents/storageShape'

/** A run that was started and not lit yet stands among the running ones for so long. */
const READY_MS = 3 * HOUR_MS

/** The household's runs as this device last heard of them: those that go on, and as much of the log as was asked for. */
export const useRunsStore = defineStore('runs', () => {
  /** Runs that go on, kept on the device so that a reload without a network shows them. */
  const kept = useLocalStorage<RunWithPlan[]>(STORED.running, [], { shallow: true })
  const known = shallowRef<ReadonlyMap<string, RunWithPlan>>(new Map(kept.value.map((run) => [run.id, run])))
  const failure = ref<ApiFailure | null>(null)
  const missing = shallowReactive(new Map<string, ApiFailure>())
  /** Newest first, as far as the log was fetched; null before. */
  const logged = shallowRef<string[] | null>(null)
  const next = ref<string | null>(null)
  const loadingLog = ref(false)

  /** An answer that left the server before the last event must not take it back; nothing that is known is forgotten. */
  function put(...found: RunWithPlan[]) {
    const all = new Map(known.value)
    for (const run of found) {
      const before = all.get(run.id)
      all.set(run.id, before && before.events.length > run.events.length ? { ...run, events: before.events } : run)
    }
    known.value = all
  }

  /** What is on the stove. */
  async function load() {
    try {
      const { runs } = await api<RunPage>('/runs', { query: { on: '' } })
      put(...runs)
      failure.value = null
    } catch (error) {
      failure.value = failureOf(error)
    }
  }

  /** By run, how far its questions were asked and answered: an answer to an older one is passed over. */
  const turns = new Map<string, { asked: number; answered: number }>()
  async function inTurn(runId: string, ask: () => Promise<RunWithPlan>) {
    const turn = turns.get(runId) ?? { asked: 0, answered: 0 }
    turns.set(runId, turn)
    const mine = ++turn.asked
    const run = await ask()
    if (mine < turn.answered) return
    turn.answered = mine
    put(run)
  }

  async function loadOne(runId: string) {
    try {
      await inTurn(runId, () => api<RunWithPlan>(`/runs/${runId}`))
      missing.delete(runId)
    } catch (error) {
      if (!one(runId)) missing.set(runId, failureOf(error))
    }
  }

  /** Keeps how one food came out; throws what the server refuses. */
  const judge = (runId: string, verdict: Verdict) =>
    inTurn(runId, () => api<RunWithPlan>(`/runs/${runId}/verdict`, { method: 'PUT', body: verdict }))

  /** Says something of a whole run; throws what the server refuses. */
  const say = (runId: string, said: RunSaid) =>
    inTurn(runId, () => api<RunWithPlan>(`/runs/${runId}`, { method: 'PATCH', body: said }))

  /** Keeps a photograph of the pot, or takes it away; throws what the server refuses. */
  const keepPhoto = (runId: string, photo: Blob | null) =>
    inTurn(runId, () =>
      api<RunWithPlan>(`/runs/${runId}/photo`, photo ? { method: 'PUT', body: photo } : { method: 'DELETE' }),
    )

  /** The run in which this food was cooked last in this cooker; null where it never was. */
  async function lastOf(foodId: string, cookerId: string): Promise<RunWithPlan | null> {
    const { runs } = await api<RunPage>('/runs', { query: { foods: foodId, cookerId } })
    put(...runs)
    return runs.find((run) => run.verdicts.length > 0) ?? runs[0] ?? null
  }

  /** Calls a run by another name; throws what the server refuses. */
  const rename = (runId: string, name: string) =>
    inTurn(runId, () => api<RunWithPlan>(`/runs/${runId}/name`, { method: 'PUT', body: { name } }))

  /** What the log is looked through for. */
  const asked = shallowRef<Record<string, string>>({})
  function look(query: Record<string, string>) {
    asked.value = query
    logged.value = null
    return loadLog()
  }

  /** The log from its newest page, or the page after those that are there. */
  async function loadLog(more = false) {
    if (loadingLog.value) return
    loadingLog.value = true
    try {
      const query = asked.value
      const page = await api<RunPage>('/runs', {
        query: { ...query, ...(more && next.value ? { after: next.value } : {}) },
      })
      put(...page.runs)
      // Something else is looked for by now.
      if (query !== asked.value) return
      const ids = page.runs.map(({ id }) => id)
      logged.value = more ? [...(logged.value ?? []), ...ids] : ids
      next.value = page.next
      failure.value = null
    } catch (error) {
      failure.value = failureOf(error)
    } finally {
      loadingLog.value = false
      // What was asked for meanwhile has its turn now.
      if (logged.value === null && !failure.value) void loadLog()
    }
  }

  const one = (runId: string) => known.value.get(runId)
  const log = computed(() => logged.value?.flatMap((id) => one(id) ?? []) ?? null)

  function setEvents(runId: string, events: KeptEvent[]) {
    const run = one(runId)
    if (run) put({ ...run, events })
  }

  const outbox = useOutbox()
  const eventsOf = (run: RunWithPlan) => withUnsent(run.events, outbox.of(run.id))
  const isOn = (run: RunWithPlan) => {
    const state = runState(eventsOf(run))
    const fresh = state.phase === 'ready' && serverNow() - Date.parse(run.createdAt) < READY_MS
    return isRunning(run.plan.answer, state) || fresh
  }
  /** Runs that somebody still has to look after, newest first. */
  const running = computed(() =>
    [...known.value.values()].filter(isOn).sort((a, b) => b.createdAt.localeCompare(a.createdAt)),
  )
  watch(running, (now) => (kept.value = now))

  whenChanged('run', (id) => {
    if (id === null) return void load()
    void loadOne(id)
    // One that was lit elsewhere heads the log.
    const isWhole = Object.keys(asked.value).length === 0
    if (logged.value && isWhole && !logged.value.includes(id)) logged.value = [id, ...logged.value]
  })

  return {
    failure,
    missing,
    load,
    loadOne,
    judge,
    rename,
    loadLog,
    look,
    say,
    keepPhoto,
    lastOf,
    asked,
    loadingLog,
    log,
    next,
    one,
    put,
    setEvents,
    eventsOf,
    running,
  }
})

/** The events that the server has, and after them those that this device has not been able to send yet. */
export function withUnsent(stored: readonly KeptEvent[], unsent: readonly RunEvent[]): KeptEvent[] {
  const known = new Set(stored.map(({ id }) => id))
  return [...stored, ...unsent.filter(({ id }) => !known.has(id))]
}
