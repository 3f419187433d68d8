<script setup lang="ts">
import type { RunWithPlan } from '~~/shared/household'

/** Whistles that were planned and that were counted, over the pots that the list shows. */
const { runs } = defineProps<{ runs: readonly RunWithPlan[] }>()
const { t } = useI18nText()
const counted = computed(() =>
  runs
    .map(runFacts)
    .filter(({ counts, happened }) => counts && happened.figure !== null)
    .sort((a, b) => a.startedMs - b.startedMs),
)
const series = computed(() => [
  {
    name: t('log.planned'),
    tone: 'heat' as const,
    kind: 'dashed' as const,
    points: counted.value.map(({ startedMs, planned }): [number, number] => [startedMs, planned.figure]),
  },
  {
    name: t('log.happened'),
    tone: 'ink' as const,
    kind: 'dots' as const,
    points: counted.value.map(({ startedMs, happened }): [number, number] => [startedMs, happened.figure!]),
  },
])
</script>

<template>
  <details v-if="counted.length > 2" class="counts">
    <summary>{{ t('log.counts') }}</summary>
    <LazyLineChart :series="series" :label="t('log.countsLabel')" x-name="" :y-name="t('log.whistles')" dates />
  </details>
</template>

<style scoped>
.counts {
  max-width: 760px;
  margin-top: 24px;
}
summary {
  min-height: 44px;
  align-content: center;
  cursor: pointer;
}
</style>
