import { defineStore } from 'pinia'
import { COMMON_MEASURES } from '~~/core/measure/measure'
import { findFood } from '~~/core/food/catalogue'
import { foodById, type Kitchen } from '~~/shared/kitchen'

/** The household's kitchen: fetched once, shared by all screens. */
export const useKitchenStore = defineStore('kitchen', () => {
  const kitchen = ref<Kitchen | null>(null)
  const failure = ref<ApiFailure | null>(null)
  const loading = ref(false)

  async function load() {
    loading.value = true
    failure.value = null
    try {
      kitchen.value = await $fetch<Kitchen>('/api/kitchen')
    } catch (error) {
      failure.value = failureOf(error)
    } finally {
      loading.value = false
    }
  }

  /** The cup that water is told in. */
  const cup = computed(() => kitchen.value?.measures[0] ?? { ...COMMON_MEASURES['cup-240'], name: 'Cup' })

  const food = (id: string) => (kitchen.value ? foodById(kitchen.value, id) : findFood(id))
  /** A food's name; its id where it has gone. */
  const foodName = (id: string) => food(id)?.name ?? id

  return { kitchen, failure, loading, load, cup, food, foodName }
})
