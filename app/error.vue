<script setup lang="ts">
const { t } = useI18nText()
</script>

<template>
  <v-app>
    <EmptyNotice :title="t('app.notFound')" :text="t('app.notFoundText')" @click="clearError({ redirect: '/pot' })" />
  </v-app>
</template>
