<script setup lang="ts">
import { LANGUAGES, LOCALES, type Locale } from '~~/locales/languages'

/** The language of this device, each by its own name; without one that of the household, or of the browser. */
const { hideLabel = false } = defineProps<{ hideLabel?: boolean }>()
const { t } = useI18nText()
const { own } = useLanguage()
const USUAL = ''
const choices = computed(() => [
  { value: USUAL, title: t('app.language.usual') },
  ...LOCALES.map((value) => ({ value, title: LANGUAGES[value].name })),
])
const chosen = computed({
  get: () => own.value ?? USUAL,
  set: (locale: string) => (own.value = locale === USUAL ? null : (locale as Locale)),
})
</script>

<template>
  <PickField v-model="chosen" :label="t('app.language.label')" :hide-label :choices />
</template>
