<script setup lang="ts" generic="Q extends Quantity = never">
/**
 * A number as a cook types it; only what is a number goes further, and what is not stays to be repaired. A quantity is
 * shown in the unit that the household likes, and may be typed in any (“203 F”).
 */
import { BOUNDS, type BoundName } from '~~/core/bounds'
import { minutesText, readAmount, readMinutes, typedAmount } from '~~/core/quantity/number'
import { inUnit, readInUnit, type Quantity } from '~~/core/quantity/unit'

const {
  label,
  suffix = '',
  error = null,
  quantity = undefined,
  digits = 3,
  bound = undefined,
  clock = false,
} = defineProps<{
  label: string
  suffix?: string
  error?: string | null
  quantity?: Q
  digits?: number
  /** Minutes, told and typed as 7:06. */
  clock?: boolean
  /** Within what it must lie, to say so in its own unit. */
  bound?: BoundName
}>()
const model = defineModel<number>({ required: true })
const { t, likes, unitFor, unitName } = useI18nText()

const unit = computed(() => (quantity ? unitFor(quantity) : null))
const read = (typed: string) =>
  clock
    ? readMinutes(typed, likes.value.decimal)
    : quantity
      ? readInUnit(typed, quantity, unit.value!, likes.value.decimal)
      : readAmount(typed, likes.value.decimal)
const written = (value: number) =>
  clock
    ? minutesText(value)
    : typedAmount(quantity ? inUnit(value, quantity, unit.value!) : value, likes.value.decimal, digits)

const text = ref(written(model.value))
watch([model, unit, () => likes.value.decimal], ([value]) => {
  if (written(read(text.value)) !== written(value)) text.value = written(value)
})
watch(text, (typed) => {
  const value = read(typed)
  // What only follows the model must not go back to it: fields that give each other would round each other.
  if (Number.isFinite(value) && written(value) !== written(model.value)) model.value = value
})
// What nobody has filled in yet is no mistake.
const wasBlank = !Number.isFinite(model.value)
const message = computed(() => {
  if (wasBlank && text.value.trim() === '') return error
  const value = read(text.value)
  if (!Number.isFinite(value)) return t('problems.not-a-number')
  const [min, max] = bound ? BOUNDS[bound] : [-Infinity, Infinity]
  if (value >= min && value <= max) return error
  const unitText = unit.value ? unitName(unit.value as string) : suffix
  return t('units.within', { min: written(min), max: written(max), unit: unitText }).trim()
})
</script>

<template>
  <TextField
    v-model="text"
    inputmode="decimal"
    :label="label"
    :suffix="unit ? unitName(unit as string) : suffix"
    :error="message"
    @focusin="selectAll"
  />
</template>
