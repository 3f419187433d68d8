import { v4 as uuid } from 'uuid'
import { MOST } from '~~/core/bounds'
import { usualTexture } from '~~/core/food/texture'
import type { KeptPot, RunWithPlan, SavedPlan } from '~~/shared/household'

/** Keeps the plan of the pot as it is here, starts a run of it, and goes to the stove. */
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
    try {
      const body = { id: ids.plan, name: pot.name, cookerId: pot.cooker.id, request: pot.request }
      await api<SavedPlan>('/plans', { method: 'POST', body })
      // What is lit soaks no more: the server says so of the kept pot too, in one go.
      const soaked = pot.keptAs && pot.form.soakingSince !== null ? pot.keptAs.id : undefined
      const { pot: kept, ...run } = await api<RunWithPlan & { pot: KeptPot | null }>('/runs', {
        method: 'POST',
        body: { id: ids.run, planId: ids.plan, potId: soaked },
      })
      ids = { plan: uuid(), run: uuid(), request: '' }
      pot.form.soakingSince = null
      likeTextures()
      if (kept) pot.keptChanged(pots.put(kept))
      runs.put(run)
      await navigateTo(`/cook/${run.id}`)
    } catch (error) {
      failure.value = failureOf(error)
    } finally {
      lighting.value = false
    }
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
