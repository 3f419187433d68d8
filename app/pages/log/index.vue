<script setup lang="ts">
const { t } = useI18nText()
const store = useRunsStore()
void store.load()
useHead({ title: () => `${t('log.title')} · Bivvet` })
</script>

<template>
  <StateNotice v-if="store.failure" :failure="store.failure" @retry="store.load" />
  <p v-else-if="!store.runs" class="soft waiting" role="status">{{ t('app.loading') }}</p>
  <EmptyNotice v-else-if="store.runs.length === 0" :title="t('log.empty.title')" :text="t('log.empty.text')" />
  <section v-else class="log">
    <h1>{{ t('log.title') }}</h1>
    <RunRow v-for="run in store.runs" :key="run.id" :run="run" />
  </section>
</template>

<style scoped>
.log {
  padding: 18px 24px 48px;
}
h1 {
  margin: 0 0 12px;
  font-size: 21px;
}
.waiting {
  padding: 48px 24px;
}
@media (max-width: 799px) {
  .log {
    padding: 14px 16px 40px;
  }
}
</style>
