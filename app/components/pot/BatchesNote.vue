<script setup lang="ts">
import type { PlanRequest } from '~~/core/program/request.schema'

/**
 * What is too much for the pot, in runs one after the other: how much at a time, and how long it all takes. Null for a
 * pot that takes it all; `inDish` says what it does to the stages around it.
 */
const { request, inDish = false } = defineProps<{ request: PlanRequest | null; inDish?: boolean }>()
const { t, number, duration, weight } = useI18nText()

const { result } = useWorked(
  () => request,
  (work, asked) => work.batches(asked),
)
const batches = computed(() => (request ? result.value : null))
const text = computed(() => {
  if (!batches.value) return ''
  const { mostG, eachG, runs, minutesEach, minutes } = batches.value
  return t('pot.batches.text', {
    most: weight(mostG),
    n: number(runs),
    each: weight(eachG),
    time: duration(minutesEach),
    total: duration(minutes),
  })
})
</script>

<template>
  <div v-if="batches" class="batches" role="status">
    <p>{{ text }}</p>
    <p v-if="inDish">
      {{ t('pot.batches.inDish', { n: number(batches.runs), later: duration(batches.minutes - batches.minutesEach) }) }}
    </p>
    <slot :batches="batches" />
  </div>
</template>

<style scoped>
.batches {
  margin: 0 0 12px;
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--heat);
}
p {
  margin: 0 0 8px;
  font-size: 16px;
}
</style>
