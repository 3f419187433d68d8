import { v4 as uuid } from 'uuid'
import { MOST } from '~~/core/bounds'
import { usualTexture } from '~~/core/food/texture'
import { isRefused } from '~~/core/safety/rules'
import type { KeptPot, RunWithPlan, SavedPlan } from '~~/shared/household'
import type { SavePlan, StartRun } from '~~/shared/plan.schema'

/**
 * Keeps the plan of the pot as it is here, starts a run of it, and goes to the stove. Without a network the run is
 * started on this device, by what its own sum says, and sent when the server is there again.
 */
export function useLight() {
  const pot = usePotStore()
  const pots = usePotsStore()
  const runs = useRunsStore()
  const lighting = ref(false)
  const failure = ref<ApiFailure | null>(null)
  // The ids stay until the start has gone through, so that a second try cannot start a second run.
  let ids = { plan: uuid(), run: uuid(), request: '' }

  async function light() {
    if (!pot.request || !pot.cooker) return
    const asked = JSON.stringify(pot.request)
    if (ids.request !== asked) ids = { plan: uuid(), run: uuid(), request: asked }
    lighting.value = true
    failure.value = null
    const plan: SavePlan = { id: ids.plan, name: pot.name, cookerId: pot.cooker.id, request: pot.request }
    // What is lit soaks no more: the server says so of the kept pot too, in one go.
    const soaked = pot.keptAs && pot.form.soakingSince !== null ? { potId: pot.keptAs.id } : {}
    const start: StartRun = { id: ids.run, planId: ids.plan, ...soaked }
    const cookerName = pot.cooker.name
    try {
      await api<SavedPlan>('/plans', { method: 'POST', body: plan })
      const { pot: kept, ...run } = await api<RunWithPlan & { pot: KeptPot | null }>('/runs', {
        method: 'POST',
        body: start,
      })
      if (kept) pot.keptChanged(pots.put(kept))
      await begun(run)
    } catch (error) {
      failure.value = failureOf(error)
      if (failure.value.kind !== 'network') return
      const plain = JSON.parse(JSON.stringify({ plan, start })) as { plan: SavePlan; start: StartRun }
      const { outcome } = await useWorker('answer').plan(plain.plan.request)
      if (!outcome.ok || isRefused(outcome.value.cautions)) return
      failure.value = null
      const createdAt = new Date(serverNow()).toISOString()
      // Kept before anything else: a reload must not lose it.
      useOutbox().addStart({ plan: plain.plan, run: plain.start })
      await begun({
        id: start.id,
        planId: plan.id,
        name: plan.name,
        createdAt,
        events: [],
        verdicts: [],
        plan: { ...plain.plan, cookerName, answer: outcome.value, createdAt },
      })
    } finally {
      lighting.value = false
    }
  }
  async function begun(run: RunWithPlan) {
    ids = { plan: uuid(), run: uuid(), request: '' }
    pot.form.soakingSince = null
    likeTextures()
    runs.put(run)
    await navigateTo(`/cook/${run.id}`)
  }
  /** What was asked for this time is what this household has of these foods from now on. */
  function likeTextures() {
    const { likes } = useKitchenStore().kitchen!
    const asked = pot.form.items.flatMap(({ foodId, texture }) => {
      const food = useKitchenStore().food(foodId)
      return food && (likes.textures[foodId] ?? usualTexture(food)) !== texture ? [[foodId, texture] as const] : []
    })
    if (asked.length > 0 && Object.keys(likes.textures).length + asked.length <= MOST.likedTextures)
      likes.textures = { ...likes.textures, ...Object.fromEntries(asked) }
  }
  return { light, lighting, failure }
}
