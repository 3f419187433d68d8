<script setup lang="ts">
import { mdiAccountVoice, mdiVolumeHigh, mdiVolumeOff } from '@mdi/js'
import { ALARMS, useAlarm } from '~/composables/cook/useAlarm'

/** Quiet, a chime, or a chime and a voice when a pot calls. */
const { t } = useI18nText()
const { kind, call } = useAlarm()
const icon = computed(() => ({ quiet: mdiVolumeOff, sound: mdiVolumeHigh, voice: mdiAccountVoice })[kind.value])
function next() {
  kind.value = ALARMS[(ALARMS.indexOf(kind.value) + 1) % ALARMS.length]!
  call(t(`cook.alarm.${kind.value}`))
}
/** Asked only when it is pressed: browsers answer for good. */
const canNotify = ref('Notification' in window && Notification.permission === 'default')
async function allow() {
  await Notification.requestPermission()
  canNotify.value = false
}
</script>

<template>
  <v-btn @click="next">
    <v-icon :icon="icon" size="20" aria-hidden="true" />
    {{ t(`cook.alarm.${kind}`) }}
  </v-btn>
  <v-btn v-if="canNotify && kind !== 'quiet'" class="notify" @click="allow">
    {{ t('cook.alarm.notify') }}
  </v-btn>
</template>

<style scoped>
/* On a phone there is no room for it over a pot; it buzzes there. */
@media (max-width: 800px) {
  .notify {
    display: none;
  }
}
</style>
