<script setup lang="ts">
import type { DishLine, Take } from '~~/core/dish/dish.schema'
import { readPortion } from '~~/core/quantity/portion'
import { foodOf } from '~~/shared/kitchen'

/** How much of a line goes into a stage: “half”, “1 tsp”, “5 g”; empty for all that is left of it. */
const take = defineModel<Take>({ required: true })
const { line, name } = defineProps<{ line: DishLine; name: string }>()
const { t, unitFor } = useI18nText()
const { language } = useLanguage()
const { amount, thing } = useDishWords()
const kitchen = useKitchen()

const error = ref('')
const shown = computed(() => (take.value.g === undefined ? '' : amount(take.value.g)))
async function read(text: string) {
  error.value = ''
  // What is shown is rounded: left as it stands it changes nothing.
  if (text.trim() === shown.value) return
  const g = await gOf(text)
  if (g === null) error.value = t('dishes.stage.portionUnread')
  else if (g !== undefined && line.g !== null && g > line.g + 0.05)
    error.value = t('dishes.stage.portionTooMuch', { g: amount(line.g) })
  else if (g === undefined) delete take.value.g
  else take.value.g = g
}
/** In g; undefined for all that is left, null for what cannot be read. */
async function gOf(text: string): Promise<number | null | undefined> {
  if (text.trim() === '') return undefined
  const decimal = kitchen.value.likes.decimal
  const portion = readPortion(text, unitFor('weight'), decimal)
  if (!portion) return null
  if ('share' in portion) return portion.share * line.g!
  if ('g' in portion) return portion.g
  const called = line.what ? thing(line.what) : name
  const style = {
    decimal,
    cupMl: useKitchenStore().cup.volumeMl,
    measures: kitchen.value.measures.map(({ id, name: of, volumeMl }) => ({ id, name: of, volumeMl })),
    foods: kitchen.value.foods.map(foodOf),
  }
  const [found] = await useWorker('answer').readLines([`${portion.amount} ${called}`], toPlain(style), language.value)
  return found?.g ?? null
}
</script>

<template>
  <v-text-field
    :model-value="shown"
    maxlength="30"
    :placeholder="t('dishes.stage.portionRest')"
    persistent-placeholder
    :aria-label="t('dishes.stage.portion', { name })"
    :title="t('dishes.stage.portion', { name })"
    :error-messages="error"
    @change="read(($event.target as HTMLInputElement).value)"
  />
</template>
