<script setup lang="ts">
import { MINUTE_MS } from '~~/core/measure/time'

/** When it is put on if it is soaked now; or when to begin for it to be ready by an hour. */
const { minutes } = defineProps<{ minutes: number }>()
const { t } = useI18nText()
const pot = usePotStore()
const { nowMs, wantedMs, when } = useReadyBy()

const soakMs = useSoakAhead(nowMs)
const potMs = computed(() => minutes * MINUTE_MS)
const fromNow = computed(() => {
  const light = nowMs.value + soakMs.value
  return soakMs.value > 0 ? t('pot.times.soaking', { light: when(light) }) : ''
})
const byThen = computed(() => {
  if (wantedMs.value === null) return null
  const light = wantedMs.value - potMs.value
  const soak = light - soakMs.value
  if (soak < nowMs.value - MINUTE_MS)
    return t('pot.times.tooLate', { to: when(nowMs.value + soakMs.value + potMs.value) })
  return soakMs.value > 0 && pot.form.soakingSince === null
    ? t('pot.times.bySoaking', { soak: when(soak), light: when(light) })
    : t('pot.times.by', { light: when(light) })
})
</script>

<template>
  <span v-if="fromNow" class="soft">{{ fromNow }}</span>
  <ReadyField class="by" />
  <strong v-if="byThen" class="by-then">{{ byThen }}</strong>
</template>
