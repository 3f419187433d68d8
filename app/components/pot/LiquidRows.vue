<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { LIQUID_KINDS, LIQUID_YIELD, type LiquidKind } from '~~/core/water/liquids'
import type { LiquidForm } from '~/stores/pot'

/** What else is wet and goes in: each counts towards the water by what it yields. */
const liquids = defineModel<LiquidForm[]>({ required: true })
const { errors } = defineProps<{ errors: readonly (string | null)[] }>()
const { t, number } = useI18nText()

const kinds = computed(() => LIQUID_KINDS.map((value) => ({ value, title: t(`pot.liquids.${value}`) })))
const add = () => (liquids.value = [...liquids.value, { kind: 'chopped-tomato', g: '200' }])
const remove = (index: number) => (liquids.value = liquids.value.filter((_, i) => i !== index))
const brings = ({ kind, g }: LiquidForm) => {
  const grams = readNumber(g) * LIQUID_YIELD[kind as LiquidKind]
  return Number.isFinite(grams) ? t('pot.liquidBrings', { grams: number(grams) }) : ''
}
</script>

<template>
  <div class="rows">
    <div v-for="(liquid, i) in liquids" :key="i" class="liquid">
      <v-select v-model="liquid.kind" :items="kinds" :aria-label="t('pot.rows.liquidKind')" />
      <v-text-field
        v-model="liquid.g"
        inputmode="decimal"
        :suffix="t('units.g')"
        :aria-label="t('pot.rows.liquidAmount')"
        :error="!!errors[i]"
      />
      <v-btn :icon="mdiClose" size="small" variant="text" :aria-label="t('pot.removeLiquid')" @click="remove(i)" />
      <p v-if="errors[i]" class="note tone-danger" role="alert">{{ errors[i] }}</p>
      <p v-else class="note soft">{{ brings(liquid) }}</p>
    </div>
    <button v-if="liquids.length < 6" type="button" class="link-button add" @click="add">
      {{ t('pot.addLiquid') }}
    </button>
  </div>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 6px;
}
.liquid {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr) auto;
  align-items: center;
  gap: 2px 8px;
}
.note {
  grid-column: 1 / -1;
  margin: 0;
  font-size: 13.5px;
}
.add {
  justify-self: start;
  font-size: 14.5px;
}
</style>
