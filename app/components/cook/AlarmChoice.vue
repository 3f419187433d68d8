<script setup lang="ts">
import { mdiAccountVoice, mdiVolumeHigh, mdiVolumeOff } from '@mdi/js'
import { ALARMS, useAlarm } from '~/composables/useAlarm'

/** Quiet, a chime, or a chime and a voice when a pot calls. */
const { t } = useI18nText()
const { kind, call } = useAlarm()
const icon = computed(() => ({ quiet: mdiVolumeOff, sound: mdiVolumeHigh, voice: mdiAccountVoice })[kind.value])
function next() {
  kind.value = ALARMS[(ALARMS.indexOf(kind.value) + 1) % ALARMS.length]!
  call(t(`cook.alarm.${kind.value}`))
}
</script>

<template>
  <button type="button" class="alarm" @click="next">
    <v-icon :icon="icon" size="20" aria-hidden="true" />
    {{ t(`cook.alarm.${kind}`) }}
  </button>
</template>

<style scoped>
.alarm {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 36px;
  padding: 2px 12px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: none;
  color: inherit;
  font: inherit;
  font-size: 15px;
  cursor: pointer;
}
</style>
