<script setup lang="ts">
import { LIKES, type LikeName } from '~~/shared/names'
import type { Likes } from '~~/shared/kitchen'
import { LANGUAGES, LOCALES, type Locale } from '~~/locales/languages'

/** In what units the household is told its figures, and whether it counts whistles. */
const likes = defineModel<Likes>({ required: true })
const { t } = useI18nText()
const questions = computed(() =>
  (Object.keys(LIKES) as LikeName[]).map((name) => ({
    name,
    label: t(`kitchen.likes.${name}.label`),
    choices: LIKES[name].map((value) => ({
      value: value as string,
      text: t(`kitchen.likes.${name}.${value}` as never),
    })),
  })),
)
const { timeZone } = useToday()
const timeZones = Intl.supportedValuesOf('timeZone')
/** The first: each device as it likes. */
const languages = computed(() => [
  { value: '', title: t('kitchen.likes.language.each') },
  ...LOCALES.map((value) => ({ value, title: LANGUAGES[value].name })),
])
function speak(locale: string | undefined) {
  const { language: _, ...others } = likes.value
  likes.value = locale ? { ...others, language: locale as Locale } : others
}
function choose(name: LikeName, value: string) {
  likes.value = { ...likes.value, [name]: value }
}
</script>

<template>
  <section>
    <h2>{{ t('kitchen.likes.title') }}</h2>
    <FormRow v-for="{ name, label, choices } in questions" :key="name" :label="label">
      <ChoiceBar
        :model-value="likes[name] ?? LIKES[name][0]"
        :label="label"
        :choices="choices"
        @update:model-value="(value) => choose(name, value)"
      />
    </FormRow>
    <FormRow :label="t('kitchen.likes.language.label')">
      <PickField
        :model-value="likes.language ?? ''"
        :label="t('kitchen.likes.language.label')"
        hide-label
        :choices="languages"
        @update:model-value="speak"
      />
    </FormRow>
    <FormRow :label="t('app.language.label')">
      <LanguagePick hide-label />
    </FormRow>
    <FormRow :label="t('kitchen.likes.timeZone.label')">
      <v-autocomplete
        :model-value="timeZone"
        :items="timeZones"
        :aria-label="t('kitchen.likes.timeZone.label')"
        :menu-props="{ attach: '#content' }"
        @update:model-value="(zone: string | null) => zone && (likes = { ...likes, timeZone: zone })"
      />
    </FormRow>
    <p class="soft">{{ t('kitchen.likes.timeZone.hint') }}</p>
    <p class="soft">{{ t('kitchen.likes.hint') }}</p>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 10px;
  font-size: 21px;
}
p {
  margin: 8px 0 0;
  font-size: 14px;
}
</style>
