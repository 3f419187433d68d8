<script setup lang="ts">
const { t } = useI18nText()
const store = useRunsStore()
void store.loadLog()
useHead({ title: () => `${t('log.title')} · Bivvet` })
</script>

<template>
  <StateNotice v-if="store.failure" :failure="store.failure" @retry="store.loadLog()" />
  <p v-else-if="!store.log" class="soft waiting" role="status">{{ t('app.loading') }}</p>
  <EmptyNotice v-else-if="store.log.length === 0" :title="t('log.empty.title')" :text="t('log.empty.text')" />
  <section v-else class="log">
    <LogHead />
    <h1 class="hidden-text">{{ t('log.title') }}</h1>
    <RunRow v-for="run in store.log" :key="run.id" :run="run" />
    <v-btn v-if="store.next" variant="outlined" :loading="store.loadingLog" class="more" @click="store.loadLog(true)">
      {{ t('log.more') }}
    </v-btn>
  </section>
</template>

<style scoped>
.log {
  padding: 10px 24px 48px;
}
.more {
  margin-top: 16px;
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
