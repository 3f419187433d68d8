<script setup lang="ts">
import { useEventListener, useWakeLock } from '@vueuse/core'

/** Every pot on the stove, a lane each. */
const { t } = useI18nText()
const runs = useRunsStore()
const cooking = useCookingStore()

watchEffect(() => {
  if (runs.running.length === 1) void navigateTo(`/cook/${runs.running[0]!.id}`, { replace: true })
})
// Over several pots, too, the screen must not go dark.
const wakeLock = useWakeLock()
watch(
  () => cooking.lanes.length > 0,
  (on) => void (on ? wakeLock.request('screen') : wakeLock.release()).catch(() => undefined),
  { immediate: true },
)
/** The figures 1 to 9 count a whistle of that lane. */
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return
  const lane = cooking.lanes[Number(event.key) - 1]
  if (lane?.action.event?.kind === 'whistle') cooking.add(lane.run.id, { kind: 'whistle' })
})
useHead({ title: () => `${t('cook.lanes.title')} · Bivvet` })
</script>

<template>
  <div class="lanes-page">
    <EmptyNotice v-if="runs.running.length === 0" :title="t('cook.none.title')" :text="t('cook.none.text')" />
    <template v-else>
      <div class="head">
        <h1>{{ t('cook.lanes.title') }}</h1>
        <AlarmChoice />
      </div>
      <LaneCard v-for="(lane, i) in cooking.lanes" :key="lane.run.id" :lane="lane" :number="i + 1" />
      <p class="soft keys">{{ t('cook.lanes.keys') }}</p>
    </template>
  </div>
</template>

<style scoped>
.lanes-page {
  min-height: calc(100vh - 53px);
  background: var(--ground);
  color: var(--ink);
}
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 14px;
  padding: 14px 40px;
}
h1 {
  margin: 0;
  font-size: 26px;
}
.keys {
  padding: 8px 40px;
  font-size: 14px;
}
@media (pointer: coarse), (max-width: 800px) {
  .keys {
    display: none;
  }
}
@media (max-width: 800px) {
  .head {
    padding: 10px 16px;
  }
}
</style>
