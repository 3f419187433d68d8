<script setup lang="ts">
/** What is too much for the pot, in runs one after the other: how much at a time, and how long it all takes. */
const { t, number, duration, weight } = useI18nText()
const pot = usePotStore()
const { answer, problems } = usePotPlan()

const isTooMuch = computed(
  () =>
    problems.value.some(({ code }) => code === 'water-over-capacity') ||
    (answer.value?.cautions.some(({ id }) => id === 'too-full') ?? false),
)
const { result } = useWorked(
  () => (isTooMuch.value ? pot.request : null),
  (work, request) => work.batches(request),
)
const batches = computed(() => (isTooMuch.value ? result.value : null))
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
    <v-btn variant="outlined" @click="pot.timesAll(1 / batches.runs)">{{ t('pot.batches.take') }}</v-btn>
  </div>
</template>

<style scoped>
.batches {
  margin: 0 0 12px;
  padding-left: 10px;
  border-left: 3px solid var(--heat);
}
p {
  margin: 0 0 8px;
  font-size: 16px;
}
</style>
