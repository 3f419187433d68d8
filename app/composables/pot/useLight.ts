import { MOST } from '~~/core/bounds'
import { cookedWith } from '~~/shared/pot-request'
import { usualTexture } from '~~/core/food/texture'

/** Keeps the plan of the pot as it is here, starts a run of it, and goes to the stove. */
export function useLight() {
  const pot = usePotStore()
  const pots = usePotsStore()
  const { start, lighting, failure } = useStartRun()

  async function light() {
    if (!pot.request || !pot.cooker) return
    // What is lit soaks no more: the server says so of the kept pot too, in one go.
    const potId = pot.keptAs && pot.form.soakingSince !== null ? pot.keptAs.id : undefined
    const { name: cookerName } = pot.cooker
    const started = await start({
      name: pot.name,
      cookerName,
      request: pot.request,
      potId,
      ...cookedWith(pot.planned, useKitchenStore().loaded, pot.cooker),
    })
    if (!started) return
    if (started.kept) pot.keptChanged(pots.put(started.kept))
    pot.form.soakingSince = null
    pot.readyBy = ''
    likeTextures()
    await navigateTo(`/cook/${started.run.id}`)
  }
  /** What was asked for this time is what this household has of these foods from now on. */
  function likeTextures() {
    const { likes } = useKitchenStore().loaded
    const asked = pot.form.items.flatMap(({ foodId, texture }) => {
      const food = useKitchenStore().food(foodId)
      return food && (likes.textures[foodId] ?? usualTexture(food)) !== texture ? [[foodId, texture] as const] : []
    })
    if (asked.length > 0 && Object.keys(likes.textures).length + asked.length <= MOST.likedTextures)
      likes.textures = { ...likes.textures, ...Object.fromEntries(asked) }
  }
  return { light, lighting, failure }
}
