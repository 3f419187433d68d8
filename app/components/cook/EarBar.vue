<script setup lang="ts">
import { mdiEarHearing, mdiEarHearingOff } from '@mdi/js'

/** The whistle ear of this device: on, off, learning, or why it is deaf. */
const { expected } = defineProps<{ expected: number }>()
const emit = defineEmits<{ whistle: [beganMs: number]; unsure: [beganMs: number] }>()
const { t } = useI18nText()
const { state, deafness, riseDb, noisy, learning, shape, start, stop, learn, forget } = useEar({
  onWhistle: (beganMs) => emit('whistle', beganMs),
  onUnsure: (beganMs) => emit('unsure', beganMs),
  expected: () => expected,
})
const listening = computed(() => state.value === 'listening')
/** Said only where there is something to say. */
const text = computed(() => {
  if (deafness.value) return t(`cook.ear.deaf.${deafness.value}`)
  if (state.value === 'asking') return t('cook.ear.asking')
  if (!listening.value) return ''
  if (learning.value === 'yes') return t('cook.ear.learning')
  if (noisy.value) return t('cook.ear.noisy')
  if (learning.value === 'nothing') return t('cook.ear.nothing')
  return t(shape.value ? 'cook.ear.listeningOwn' : 'cook.ear.listening')
})
</script>

<template>
  <div class="ear">
    <v-btn :aria-pressed="listening" :title="t('cook.ear.off')" @click="listening ? stop() : start()">
      <v-icon :icon="listening ? mdiEarHearing : mdiEarHearingOff" size="22" aria-hidden="true" />
      {{ t(listening ? 'cook.ear.stop' : 'cook.ear.start') }}
    </v-btn>
    <span v-if="listening" class="meter" aria-hidden="true">
      <span :style="{ width: `${Math.max(0, Math.min(100, riseDb * 5))}%` }" />
    </span>
    <span class="said" :class="{ 'tone-danger': state === 'deaf' }" role="status">{{ text }}</span>
    <template v-if="listening && learning !== 'yes'">
      <LinkBtn @click="learn">{{ t('cook.ear.learn') }}</LinkBtn>
      <LinkBtn v-if="shape" @click="forget">{{ t('cook.ear.forget') }}</LinkBtn>
    </template>
  </div>
</template>

<style scoped>
.ear {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  font-size: 15px;
}
.meter {
  width: 70px;
  height: 8px;
  background: var(--line);
}
.meter span {
  display: block;
  height: 100%;
  background: var(--steam);
}
.said {
  color: var(--ink-soft);
}
</style>
