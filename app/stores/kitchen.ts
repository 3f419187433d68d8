import { defineStore } from 'pinia'
import { findFood } from '~~/core/food/catalogue'
import { CUP_ML } from '~~/core/measure/measure'
import { foodById, inUse } from '~~/shared/kitchen'

/** The household's kitchen: one document, shared by all screens. */
export const useKitchenStore = defineStore('kitchen', () => {
  const { content: kitchen, ...synced } = syncedDocument('kitchen', 'own')
  /** The same where it is certain to be there: whatever is shown inside a layout (app/layouts/default.vue). */
  const loaded = computed(() => {
    if (!kitchen.value) throw new Error('The kitchen is asked for before it was fetched.')
    return kitchen.value
  })
  const loading = ref(false)
  async function load() {
    loading.value = true
    await synced.load()
    loading.value = false
  }
  whenChanged('kitchen', () => void load())

  /** The cup that water is told in. */
  const cup = computed(
    () => inUse(kitchen.value?.measures ?? [])[0] ?? { id: 'cup-240', name: 'Cup', volumeMl: CUP_ML },
  )

  const { t } = useNuxtApp().$i18nText
  const food = (id: string) => (kitchen.value ? foodById(kitchen.value, id) : findFood(id))
  /** What a food is called; its id where it has gone. */
  const foodName = (id: string) => food(id)?.name ?? (findFood(id) ? t(`catalogue.${id}.name`) : id)

  const { state, failure, theirs, takenOver, save, takeTheirs, putOurs } = synced
  return {
    kitchen,
    loaded,
    state,
    failure,
    loading,
    theirs,
    takenOver,
    load,
    save,
    takeTheirs,
    putOurs,
    cup,
    food,
    foodName,
  }
})
