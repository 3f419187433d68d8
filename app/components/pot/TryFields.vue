<script setup lang="ts">
import { CUP_ML } from '~~/core/measure/measure'
import { readAmount } from '~~/core/quantity/number'
import type { ClosingAnswer } from '~~/core/program/answer'
import { endsByItself, styleOf } from '~~/core/program/styles'
import { inUse } from '~~/shared/kitchen'
import { givenAt, liquidG, withGiven } from '~~/shared/pot'

/** “What if I use 2 cups?”: other figures than the computed ones, typed in any measure. Dragging does the same. */
const { closing, index } = defineProps<{ closing: ClosingAnswer; index: number }>()
const { t } = useI18nText()
const pot = usePotStore()
const kitchen = useKitchen()
const { unitsFor } = useUnits()

const unit = ref(inUse(kitchen.value.measures)[0]?.id ?? 'g')
const given = computed(() => givenAt(pot.form, index))
const give = (change: Partial<typeof given.value>) => (pot.form.given = withGiven(pot.form.given, index, change))
const amount = ref('')
const figure = ref('')
watch([amount, unit], () => {
  const grams = liquidG({ kind: 'water', amount: amount.value, unit: unit.value }, kitchen.value)
  if (amount.value === '' && given.value.pourG === null) return
  if (amount.value === '') give({ pourG: null })
  else if (Number.isFinite(grams)) give({ pourG: Math.round(grams) })
})
watch(figure, (typed) => {
  const value = readAmount(typed, kitchen.value.likes.decimal)
  if (typed === '' && given.value.figure === null) return
  if (typed === '') give({ figure: null })
  else if (Number.isFinite(value)) give({ figure: Math.round(value) })
})
// Dragged, undone or put back elsewhere: what is typed here no longer holds.
watch(
  () => given.value.pourG,
  (pourG) => {
    const typed = liquidG({ kind: 'water', amount: amount.value, unit: unit.value }, kitchen.value)
    if (pourG !== (Number.isFinite(typed) ? Math.round(typed) : null)) amount.value = ''
  },
)
watch(
  () => given.value.figure,
  (value) => {
    if (value !== Math.round(readAmount(figure.value, kitchen.value.likes.decimal)))
      figure.value = value === null ? '' : String(value)
  },
)
/** Devices that decide for themselves take no figure. */
const counts = computed(() => pot.styleKind !== null && !endsByItself(styleOf(pot.styleKind)))
const units = computed(() => unitsFor({ cupG: CUP_ML }))
/** What was typed and is no number is said to be none, and changes nothing. */
const noNumber = (text: string) =>
  text.trim() === '' || Number.isFinite(readAmount(text, kitchen.value.likes.decimal))
    ? null
    : t('problems.not-a-number')
</script>

<template>
  <div class="fields">
    <TextField
      v-model="amount"
      :label="t(index === 0 ? 'pot.try.water' : 'pot.try.waterLater', { n: index + 1 })"
      :placeholder="t('pot.try.asPlanned')"
      :error="noNumber(amount)"
      maxlength="24"
    />
    <PickField v-model="unit" :choices="units" :label="t('pot.try.waterUnit')" hide-label />
    <TextField
      v-if="counts"
      v-model="figure"
      inputmode="numeric"
      :label="t(closing.range.unit === 'whistles' ? 'pot.try.whistles' : 'pot.try.minutes')"
      :error="noNumber(figure)"
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
