<script setup lang="ts">
/** Before anybody is in: no places to go to, only what is asked. */
const { t } = useI18nText()
</script>

<template>
  <div>
    <header>
      <svg viewBox="0 0 32 32" width="28" height="28" aria-hidden="true">
        <path d="M16 2c3 4 4 6 4 8a4 4 0 0 1-8 0c0-2 1-4 4-8z" fill="var(--steam)" />
        <path d="M4 16h24v8a5 5 0 0 1-5 5H9a5 5 0 0 1-5-5z" fill="var(--ink)" />
      </svg>
      <span class="figure">{{ t('app.name') }}</span>
    </header>
    <NuxtRouteAnnouncer />
    <main id="content"><slot /></main>
  </div>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 52px;
  padding: 0 24px;
  border-bottom: 1px solid var(--line);
  font-size: 26px;
}
</style>
