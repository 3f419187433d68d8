<script setup lang="ts">
import { TIN_MATERIALS } from '~~/core/names'
import type { HouseholdTin } from '~~/shared/kitchen'

/** One tin that stands inside a cooker: its outer size, what it holds, its lid and what it is made of. */
const tin = defineModel<HouseholdTin>({ required: true })
const { path, errorAt } = defineProps<{ path: string; errorAt: (path: string) => string | null }>()
const { t } = useI18nText()
const at = (field: string) => errorAt(`${path}.${field}`)
const materials = computed(() => TIN_MATERIALS.map((value) => ({ value, title: t(`kitchen.materials.${value}`) })))
const lids = computed(() => [
  { value: true, text: t('kitchen.withLid') },
  { value: false, text: t('kitchen.noLid') },
])
</script>

<template>
  <div class="tin">
    <TextField v-model="tin.name" :label="t('edit.name')" maxlength="60" :error="at('name')" />
    <NumberField
      v-model="tin.diameterMm"
      :label="t('kitchen.outerWidth')"
      quantity="length"
      bound="tinDiameterMm"
      :error="at('diameterMm')"
    />
    <NumberField
      v-model="tin.heightMm"
      :label="t('kitchen.height')"
      quantity="length"
      bound="tinHeightMm"
      :error="at('heightMm')"
    />
    <NumberField
      v-model="tin.volumeMl"
      :label="t('kitchen.holds')"
      quantity="volume"
      bound="tinVolumeMl"
      :error="at('volumeMl')"
    />
    <PickField v-model="tin.material" :choices="materials" :label="t('kitchen.material')" />
    <ChoiceBar v-model="tin.lid" :label="t('kitchen.lid')" :choices="lids" />
    <p v-if="tin.material === 'glass' || tin.material === 'plastic'" class="caution">
      {{ t(`kitchen.materialCaution.${tin.material}`) }}
    </p>
  </div>
</template>

<style scoped>
.tin {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  align-items: start;
  gap: 14px 10px;
  padding: 10px 0;
}
.tin > :first-child {
  grid-column: 1 / -1;
}
.caution {
  grid-column: 1 / -1;
  margin: 0;
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--heat);
  font-size: 14px;
}
</style>
