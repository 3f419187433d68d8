<script setup lang="ts">
import { readAmount } from '~~/core/measure/amount'
import type { PlanAnswer } from '~~/core/program/answer'
import { liquidG } from '~~/shared/pot'

/** “What if I use 2 cups?”: other figures than the computed ones, typed in any measure. Dragging does the same. */
const { answer } = defineProps<{ answer: PlanAnswer }>()
const { t } = useI18nText()
const pot = usePotStore()
const kitchen = computed(() => useKitchenStore().kitchen!)
const { unitsFor } = useUnits()

const unit = ref(kitchen.value.measures[0]?.id ?? 'g')
const amount = ref('')
const figure = ref('')
watch([amount, unit], () => {
  const grams = liquidG({ kind: 'water', amount: amount.value, unit: unit.value }, kitchen.value)
  if (amount.value === '') pot.form.given.pourG = null
  else if (Number.isFinite(grams)) pot.form.given.pourG = Math.round(grams)
})
watch(figure, (typed) => {
  const value = readAmount(typed)
  if (typed === '') pot.form.given.figure = null
  else if (Number.isFinite(value)) pot.form.given.figure = Math.round(value)
})
// Dragged, undone or put back elsewhere: what is typed here no longer holds.
watch(
  () => pot.form.given.pourG,
  (pourG) => {
    const typed = liquidG({ kind: 'water', amount: amount.value, unit: unit.value }, kitchen.value)
    if (pourG !== (Number.isFinite(typed) ? Math.round(typed) : null)) amount.value = ''
  },
)
watch(
  () => pot.form.given.figure,
  (value) => {
    if (value !== Math.round(readAmount(figure.value))) figure.value = value === null ? '' : String(value)
  },
)
/** Devices that decide for themselves take no figure. */
const counts = computed(() => pot.styleKind !== 'rice-cooker' && pot.styleKind !== 'fixed')
const units = computed(() => unitsFor(true))
</script>

<template>
  <div class="fields">
    <v-text-field v-model="amount" :label="t('pot.try.water')" :placeholder="t('pot.try.asPlanned')" maxlength="24" />
    <v-select v-model="unit" :items="units" :aria-label="t('pot.try.waterUnit')" />
    <v-text-field
      v-if="counts"
      v-model="figure"
      inputmode="numeric"
      :label="t(answer.range.unit === 'whistles' ? 'pot.try.whistles' : 'pot.try.minutes')"
      maxlength="24"
    />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px;
  margin-top: 8px;
}
</style>
