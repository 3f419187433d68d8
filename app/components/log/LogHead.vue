<script setup lang="ts">
/** The two sides of the log: what was cooked, and what that has taught. */
const { t } = useI18nText()
</script>

<template>
  <nav class="sides" :aria-label="t('log.title')">
    <NuxtLink to="/log" exact-active-class="here">{{ t('learnt.runs') }}</NuxtLink>
    <NuxtLink to="/log/learnt" exact-active-class="here">{{ t('learnt.tab') }}</NuxtLink>
  </nav>
</template>

<style scoped>
.sides {
  display: flex;
  gap: 22px;
  margin-bottom: 14px;
}
a {
  display: inline-flex;
  align-items: center;
  min-width: 44px;
  min-height: 44px;
  color: var(--ink-soft);
  text-decoration: none;
  border-bottom: 3px solid transparent;
}
.here {
  color: var(--ink);
  font-weight: 700;
  border-color: var(--ink);
}
</style>
