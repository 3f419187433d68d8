<script setup lang="ts">
/** A number as a cook types it; only what is a number goes further, and what is not stays to be mended. */
import { readAmount } from '~~/core/measure/amount'

const { label, suffix = '', error = null } = defineProps<{ label: string; suffix?: string; error?: string | null }>()
const model = defineModel<number>({ required: true })
const { t } = useI18nText()

const text = ref(String(model.value))
watch(model, (value) => {
  if (readAmount(text.value) !== value) text.value = String(value)
})
watch(text, (typed) => {
  const value = readAmount(typed)
  // What only follows the model must not go back to it: fields that give each other would round each other.
  if (Number.isFinite(value) && value !== model.value) model.value = value
})
const message = computed(() => (Number.isFinite(readAmount(text.value)) ? error : t('problems.not-a-number')))
</script>

<template>
  <v-text-field v-model="text" inputmode="decimal" :label="label" :suffix="suffix" :error-messages="message ?? []" />
</template>
