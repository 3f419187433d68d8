import { v4 as uuid } from 'uuid'
import { isRefused } from '~~/core/safety/rules'
import type { KeptPot, RunWithPlan, SavedPlan } from '~~/shared/household'
import type { SavePlan, StartRun } from '~~/shared/plan.schema'

/** What is to be lit: its plan, and what else goes with the start. */
export interface ToLight extends Omit<SavePlan, 'id'> {
  cookerName: string
  /** The kept pot whose soak ends with it. */
  potId?: string | undefined
}

/**
 * Keeps a plan and starts a run of it. Without a network the run is started on this device, by what its own sum says,
 * and sent when the server is there again.
 */
export function useStartRun() {
  const runs = useRunsStore()
  const lighting = ref(false)
  const failure = ref<ApiFailure | null>(null)
  // The ids stay until the start has gone through, so that a second try cannot start a second run.
  let ids = { plan: uuid(), run: uuid(), request: '' }

  /** The run that was started, and the kept pot as it is then; null where that failed, or must not be. */
  async function start({
    cookerName,
    potId,
    ...asked
  }: ToLight): Promise<{ run: RunWithPlan; kept: KeptPot | null } | null> {
    const content = JSON.stringify(asked.request)
    if (ids.request !== content) ids = { plan: uuid(), run: uuid(), request: content }
    lighting.value = true
    failure.value = null
    const plan: SavePlan = { id: ids.plan, ...asked }
    const toStart: StartRun = { id: ids.run, planId: ids.plan, ...(potId ? { potId } : {}) }
    try {
      await api<SavedPlan>('/plans', { method: 'POST', body: plan })
      const { pot: kept, ...run } = await api<RunWithPlan & { pot: KeptPot | null }>('/runs', {
        method: 'POST',
        body: toStart,
      })
      return begun(run, kept)
    } catch (error) {
      failure.value = failureOf(error)
      if (failure.value.kind !== 'network') return null
      const plain = JSON.parse(JSON.stringify({ plan, toStart })) as { plan: SavePlan; toStart: StartRun }
      const { outcome } = await useWorker('answer').plan(plain.plan.request)
      if (!outcome.ok || isRefused(outcome.value.cautions)) return null
      failure.value = null
      const createdAt = new Date(serverNow()).toISOString()
      // Kept before anything else: a reload must not lose it.
      useOutbox().addStart({ plan: plain.plan, run: plain.toStart })
      return begun(
        {
          id: toStart.id,
          planId: plan.id,
          name: plan.name,
          createdAt,
          events: [],
          verdicts: [],
          plan: { ...plain.plan, cookerName, answer: outcome.value, createdAt },
        },
        null,
      )
    } finally {
      lighting.value = false
    }
  }
  function begun(run: RunWithPlan, kept: KeptPot | null) {
    ids = { plan: uuid(), run: uuid(), request: '' }
    runs.put(run)
    return { run, kept }
  }
  return { start, lighting, failure }
}
