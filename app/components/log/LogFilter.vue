<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { VERDICTS } from '~~/shared/names'

/** Finds pots in the log: by name or food, by cooker, by how they came out. */
const { t } = useI18nText()
const runs = useRunsStore()
const kitchen = useKitchen()
const foods = useNamedFoods()

const text = ref('')
const cookerId = ref('')
const verdict = ref('')
const MOST_FOODS = 12
const query = computed(() => {
  const words = text.value.trim()
  const found = words === '' ? [] : searchNames(words, foods.value).slice(0, MOST_FOODS)
  return {
    ...(words === '' ? {} : { name: words }),
    ...(found.length > 0 ? { foods: found.map(({ food }) => food.id).join(',') } : {}),
    ...(cookerId.value ? { cookerId: cookerId.value } : {}),
    ...(verdict.value ? { verdict: verdict.value } : {}),
  }
})
watchDebounced(query, (now) => void runs.look(now), { debounce: 250 })
onScopeDispose(() => Object.keys(runs.asked).length > 0 && void runs.look({}))
const cookers = computed(() => [
  { value: '', title: t('log.everyCooker') },
  ...kitchen.value.cookers.map(({ id, name }) => ({ value: id, title: name })),
])
const verdicts = computed(() => [
  { value: '', title: t('log.everyVerdict') },
  ...VERDICTS.map((one) => ({ value: one as string, title: t(`log.verdicts.${one}`) })),
])
</script>

<template>
  <div class="filter" role="search">
    <TextField v-model="text" :label="t('log.find')" :maxlength="80" />
    <PickField v-model="cookerId" :label="t('log.cooker')" :choices="cookers" />
    <PickField v-model="verdict" :label="t('log.verdict')" :choices="verdicts" />
  </div>
</template>

<style scoped>
.filter {
  display: grid;
  grid-template-columns: minmax(0, 360px) minmax(0, 200px) minmax(0, 200px);
  gap: 12px;
  margin-bottom: 16px;
}
@media (max-width: 799px) {
  .filter {
    grid-template-columns: 1fr 1fr;
  }
  .filter > :first-child {
    grid-column: 1 / -1;
  }
}
</style>
