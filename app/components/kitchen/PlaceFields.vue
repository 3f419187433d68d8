<script setup lang="ts">
import { altitudeM, altitudeOfBoilingM, ambientPa, boilingC } from '~~/core/steam/steam'
import type { Kitchen } from '~~/shared/kitchen'

/** Where the kitchen is: how high (typed, or from the boiling point, or from the pressure), how warm, how hard its water. */
const draft = defineModel<Kitchen>({ required: true })
const { errorAt } = defineProps<{ errorAt: (path: string) => string | null }>()
const { t } = useI18nText()

const round = (value: number, digits: number) => Number(value.toFixed(digits))
const setAltitude = (metres: number) => {
  if (Number.isFinite(metres)) draft.value.altitudeM = Math.round(metres)
}
const boilsAt = computed({
  get: () => round(boilingC(draft.value.altitudeM), 1),
  set: (tempC) => setAltitude(altitudeOfBoilingM(tempC)),
})
const pressureHpa = computed({
  get: () => round(ambientPa(draft.value.altitudeM) / 100, 0),
  set: (hpa) => setAltitude(altitudeM(hpa * 100)),
})
const water = computed(() => [
  { value: false, text: t('kitchen.soft') },
  { value: true, text: t('kitchen.hard') },
])
</script>

<template>
  <div class="fields">
    <TextField v-model="draft.name" :label="t('edit.name')" maxlength="60" :error="errorAt('name')" />
    <NumberField
      v-model="draft.altitudeM"
      :label="t('kitchen.altitude')"
      quantity="height"
      bound="altitudeM"
      :digits="0"
      :error="errorAt('altitudeM')"
    />
    <NumberField v-model="boilsAt" :label="t('kitchen.boilsAt')" quantity="temperature" :digits="1" />
    <NumberField v-model="pressureHpa" :label="t('kitchen.pressure')" suffix="hPa" :digits="0" />
    <NumberField
      v-model="draft.roomC"
      :label="t('kitchen.room')"
      quantity="temperature"
      bound="roomC"
      :digits="1"
      :error="errorAt('roomC')"
    />
    <NumberField
      v-model="draft.tapC"
      :label="t('kitchen.tap')"
      quantity="temperature"
      bound="tapC"
      :digits="1"
      :error="errorAt('tapC')"
    />
  </div>
  <p class="soft hint">{{ t('kitchen.altitudeHint') }}</p>
  <div class="water">
    <span class="soft" aria-hidden="true">{{ t('kitchen.water') }}</span>
    <ChoiceBar v-model="draft.hardWater" :label="t('kitchen.water')" :choices="water" />
    <span class="soft">{{ t('kitchen.waterHint') }}</span>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  align-items: start;
  gap: 14px 10px;
}
.fields > :first-child {
  grid-column: 1 / -1;
}
.hint {
  margin: 8px 0 0;
  max-width: 80ch;
  font-size: 14px;
}
.water {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  margin-top: 12px;
  font-size: 14px;
}
</style>
