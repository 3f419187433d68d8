<script setup lang="ts">
defineProps<{ title: string; text: string }>()
const { t } = useI18nText()
</script>

<template>
  <section class="empty">
    <h1>{{ title }}</h1>
    <p class="soft">{{ text }}</p>
    <v-btn to="/pot" color="primary" size="large">{{ t('app.backToPot') }}</v-btn>
  </section>
</template>

<style scoped>
.empty {
  display: grid;
  justify-items: start;
  gap: 12px;
  max-width: 46ch;
  padding: 64px 24px;
}
h1,
p {
  margin: 0;
}
</style>
