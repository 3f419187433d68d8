<script setup lang="ts">
import { MINUTE_MS } from '~~/core/measure/time'

/** When it is ready, as the first thing of the answer; and by which hour it is wanted. */
const { minutes, byItself } = defineProps<{ minutes: number; byItself: boolean }>()
const { t, duration } = useI18nText()
const { nowMs, wantedMs, when } = useReadyBy()
const soakMs = useSoakAhead(nowMs)
/** By the hour that is wanted, where that can still be. */
const readyMs = computed(() => {
  const earliest = nowMs.value + soakMs.value + minutes * MINUTE_MS
  return Math.max(earliest, wantedMs.value ?? earliest)
})
</script>

<template>
  <div class="ready">
    <h2 class="figure">{{ t('pot.times.ready', { time: when(readyMs) }) }}</h2>
    <span class="soft">{{
      t(byItself ? 'pot.times.fromStart' : 'pot.times.fromLighting', { time: duration(minutes) })
    }}</span>
    <p class="by"><ReadyBy :minutes="minutes" /></p>
  </div>
</template>

<style scoped>
.ready {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 0 12px;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--ink);
}
h2 {
  margin: 0;
  font-size: 37px;
  line-height: 1.1;
}
.by {
  flex: 1 1 100%;
  margin: 2px 0 0;
  font-size: 14px;
}
.by > * {
  margin-inline-end: 8px;
}
</style>
