<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { DAY_MS, MINUTE_MS } from '~~/core/measure/time'

/** When it is ready if it is begun now, its soak counted in; or when to begin for it to be ready by an hour. */
const { minutes } = defineProps<{ minutes: number }>()
const { t, clock, day, weekday } = useI18nText()
const pot = usePotStore()
const nowMs = useNow()

const soakMs = useSoakAhead(nowMs)
const potMs = computed(() => minutes * MINUTE_MS)
/** The hour, with its day where that is not today. */
const when = (ms: number) => (day(ms) === day(nowMs.value) ? clock(ms) : `${weekday(ms)} ${clock(ms)}`)
const fromNow = computed(() => {
  const light = nowMs.value + soakMs.value
  const params = { from: when(nowMs.value), light: when(light), to: when(light + potMs.value) }
  return t(soakMs.value > 0 ? 'pot.times.soaking' : 'pot.times.now', params)
})

const asking = ref(false)
const wanted = useLocalStorage('bivvet-ready-by', '')
const field = useTemplateRef<HTMLInputElement>('field')
async function ask() {
  asking.value = true
  await nextTick()
  field.value?.focus()
}
const byThen = computed(() => {
  const [hour, minute] = wanted.value.split(':').map(Number)
  if (hour === undefined || minute === undefined || !Number.isFinite(hour + minute)) return null
  const today = new Date(nowMs.value)
  today.setHours(hour, minute, 0, 0)
  const wantedMs = today.getTime() > nowMs.value ? today.getTime() : today.getTime() + DAY_MS
  const light = wantedMs - potMs.value
  const soak = light - soakMs.value
  if (soak < nowMs.value - MINUTE_MS)
    return t('pot.times.tooLate', { to: when(nowMs.value + soakMs.value + potMs.value) })
  return soakMs.value > 0 && pot.form.soakingSince === null
    ? t('pot.times.bySoaking', { soak: when(soak), light: when(light) })
    : t('pot.times.by', { light: when(light) })
})
</script>

<template>
  <span class="soft">{{ fromNow }}</span>
  <span class="no-print by">
    <button v-if="!asking && wanted === ''" type="button" class="link-button" @click="ask">
      {{ t('pot.times.ask') }}
    </button>
    <label v-else>
      {{ t('pot.times.readyBy') }}
      <input ref="field" v-model="wanted" type="time" @blur="asking = wanted !== ''" />
    </label>
  </span>
  <strong v-if="byThen" class="by-then">{{ byThen }}</strong>
</template>

<style scoped>
label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
input {
  min-height: 32px;
  padding: 0 6px;
  border: 1px solid color-mix(in srgb, var(--ink) 45%, transparent);
  border-radius: var(--corner);
  background: none;
  color: inherit;
  font: inherit;
  color-scheme: light dark;
}
</style>
