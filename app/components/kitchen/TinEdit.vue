<script setup lang="ts">
import { TIN_MATERIALS } from '~~/core/names'
import type { HouseholdTin } from '~~/shared/kitchen'

/** One tin that stands inside a cooker: its outer size, what it holds, its lid and what it is made of. */
const tin = defineModel<HouseholdTin>({ required: true })
const { path, errorAt } = defineProps<{ path: string; errorAt: (path: string) => string | null }>()
defineEmits<{ remove: [] }>()
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
    <v-text-field v-model="tin.name" :label="t('edit.name')" maxlength="60" :error-messages="at('name') ?? []" />
    <NumberField v-model="tin.diameterMm" :label="t('kitchen.outerWidth')" suffix="mm" :error="at('diameterMm')" />
    <NumberField v-model="tin.heightMm" :label="t('kitchen.height')" suffix="mm" :error="at('heightMm')" />
    <NumberField v-model="tin.volumeMl" :label="t('kitchen.holds')" suffix="ml" :error="at('volumeMl')" />
    <v-select v-model="tin.material" :items="materials" :label="t('kitchen.material')" />
    <ChoiceBar v-model="tin.lid" :label="t('kitchen.lid')" :choices="lids" />
    <v-btn variant="text" size="small" :aria-label="t('edit.removeNamed', { name: tin.name })" @click="$emit('remove')">
      {{ t('edit.remove') }}
    </v-btn>
    <p v-if="tin.material === 'glass' || tin.material === 'plastic'" class="caution">
      {{ t(`kitchen.materialCaution.${tin.material}`) }}
    </p>
  </div>
</template>

<style scoped>
.tin {
  display: grid;
  grid-template-columns: minmax(150px, 1.4fr) repeat(3, minmax(92px, 0.8fr)) minmax(110px, 1fr) minmax(130px, 1fr) auto;
  align-items: start;
  gap: 10px;
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}
.tin:last-of-type {
  margin-bottom: 12px;
}
.caution {
  grid-column: 1 / -1;
  margin: 0;
  padding-left: 10px;
  border-left: 3px solid var(--heat);
  font-size: 14px;
}
@media (max-width: 819px) {
  .tin {
    grid-template-columns: 1fr 1fr;
  }
  .tin > :first-child {
    grid-column: 1 / -1;
  }
}
</style>
