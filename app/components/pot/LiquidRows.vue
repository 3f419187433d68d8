<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { CUP_ML } from '~~/core/measure/measure'
import { isPoured, LIQUID_KINDS } from '~~/core/water/liquids'
import { broughtG } from '~~/core/water/sum'
import { liquidG, type PotLiquid } from '~~/shared/pot'

/** What else is wet and goes in: each counts towards the water by what it yields. */
const liquids = defineModel<PotLiquid[]>({ required: true })
const { errors } = defineProps<{ errors: readonly (string | null)[] }>()
const { t, weight } = useI18nText()
const kitchen = useKitchen()
const { unitsFor } = useUnits()

const kinds = computed(() => LIQUID_KINDS.map((value) => ({ value, title: t(`liquids.${value}`) })))
const units = computed(() => unitsFor({ cupG: CUP_ML }))
const add = () => liquids.value.push({ kind: 'chopped-tomato', amount: '200', unit: 'g' })
const remove = (index: number) => liquids.value.splice(index, 1)
const brings = (liquid: PotLiquid) => {
  const grams = broughtG({ ...liquid, g: liquidG(liquid, kitchen.value) })
  return Number.isFinite(grams) ? t('pot.liquidBrings', { grams: weight(grams) }) : ''
}
</script>

<template>
  <div class="rows">
    <div v-for="(liquid, i) in liquids" :key="i" class="liquid">
      <PickField v-model="liquid.kind" :choices="kinds" :label="t('pot.rows.liquidKind')" hide-label class="kind" />
      <TextField
        v-model="liquid.amount"
        hide-label
        inputmode="decimal"
        maxlength="24"
        :label="t('pot.rows.liquidAmount')"
        :error="!!errors[i]"
        @focusin="selectAll"
      />
      <PickField v-model="liquid.unit" :choices="units" :label="t('pot.rows.liquidUnit')" hide-label />
      <IconButton :icon="mdiClose" :label="t('pot.removeLiquid')" @click="remove(i)" />
      <v-checkbox v-if="!isPoured(liquid.kind)" v-model="liquid.fried" :label="t('pot.liquidFried')" class="kind" />
      <p v-if="errors[i]" class="note tone-danger" role="alert">{{ errors[i] }}</p>
      <p v-else class="note soft">{{ brings(liquid) }}</p>
    </div>
    <LinkBtn v-if="liquids.length < 6" class="add" @click="add">
      {{ t('pot.addLiquid') }}
    </LinkBtn>
  </div>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 6px;
}
.liquid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) auto;
  align-items: center;
  gap: 2px 8px;
}
.kind {
  grid-column: 1 / -1;
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
