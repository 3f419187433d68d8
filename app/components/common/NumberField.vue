<script setup lang="ts">
/** A number as a cook types it; only what is a number goes further, and what is not stays to be mended. */
const { label, suffix = '', error = null } = defineProps<{ label: string; suffix?: string; error?: string | null }>()
const model = defineModel<number>({ required: true })
const { t } = useI18nText()

const text = ref(String(model.value))
watch(model, (value) => {
  if (readNumber(text.value) !== value) text.value = String(value)
})
watch(text, (typed) => {
  const value = readNumber(typed)
  if (Number.isFinite(value)) model.value = value
})
const message = computed(() => (Number.isFinite(readNumber(text.value)) ? error : t('problems.not-a-number')))
</script>

<template>
  <v-text-field v-model="text" inputmode="decimal" :label="label" :suffix="suffix" :error-messages="message ?? []" />
</template>
