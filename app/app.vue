<script setup lang="ts">
import { useTheme } from 'vuetify'

const { t } = useI18nText()
const theme = useTheme()
const { choice } = useThemeChoice()
const route = useRoute()
// Over the stove the screen is dark, unless the cook has asked for light.
const shown = computed(() => (choice.value === 'system' && route.path.startsWith('/cook') ? 'dark' : choice.value))
watchEffect(() => theme.change(shown.value))

useHead({ meta: [{ name: 'description', content: () => t('app.description') }] })

const kitchen = useKitchenStore()
const { hear } = useLanguage()
watch(
  () => kitchen.kitchen?.likes,
  (likes) => likes && hear(likes.language),
)
// Who comes by a link is in no kitchen yet.
if (!/^\/(join|guest)\//.test(window.location.pathname)) void kitchen.load()
</script>

<template>
  <v-app>
    <a class="skip" href="#content">{{ t('app.skip') }}</a>
    <NuxtLayout>
      <NuxtPage />
    </NuxtLayout>
  </v-app>
</template>

<style scoped>
.skip {
  position: absolute;
  inset-inline-start: -999px;
  top: 0;
  padding: 8px 16px;
  background: var(--ink);
  color: var(--ground);
  z-index: 10;
}
.skip:focus {
  inset-inline-start: 0;
}
</style>
