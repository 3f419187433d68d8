import type { KitchenLog } from '../../core/learn/log'
import type { Told } from '../worker/answer'
import type { HouseholdStore } from '../db/household'

/** What has not been worked out by then is left for the next time. */
const WITHIN_MS = 6000

/** What the household's log has taught until now; what its new runs say is worked out first. */
export async function learntOf(
  store: HouseholdStore,
): Promise<{ told: Told; log: KitchenLog; names: Map<string, string>; pending: number }> {
  const kept = await store.kitchen()
  if (!kept) throw notFound('kitchen')
  const worker = askWorker(store.householdId)
  const until = Date.now() + WITHIN_MS
  let found = await store.unfitted()
  while (found.length > 0) {
    for (const { id, plan, events } of found) {
      if (Date.now() > until) break
      const fit = await worker.fit({ request: plan.request, answer: plan.answer }, events)
      await store.keepFit(id, fit, events.length)
    }
    found = Date.now() > until ? [] : await store.unfitted()
  }
  const { log, names } = await store.kitchenLog(kept.content)
  return { told: await worker.learn(log), log, names, pending: await store.pending() }
}
