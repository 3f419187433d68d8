<script setup lang="ts">
import type { RunWithPlan } from '~~/shared/household'

/** The pots that were cooked, newest first, month by month. */
const { t, month } = useI18nText()
const store = useRunsStore()
void store.loadLog()
const isAsked = computed(() => Object.keys(store.asked).length > 0)
const months = computed(() => {
  const found: { title: string; runs: RunWithPlan[] }[] = []
  const dated = (store.log ?? []).map((run) => ({ run, startedMs: startedMsOf(run) }))
  for (const { run, startedMs } of dated.sort((a, b) => b.startedMs - a.startedMs)) {
    const title = month(startedMs)
    if (found.at(-1)?.title === title) found.at(-1)!.runs.push(run)
    else found.push({ title, runs: [run] })
  }
  return found
})
useHead({ title: () => `${t('log.title')} · Bivvet` })
</script>

<template>
  <section class="log">
    <LogHead class="no-print" />
    <EmptyNotice v-if="store.log?.length === 0 && !isAsked" :title="t('log.empty.title')" :text="t('log.empty.text')" />
    <template v-else>
      <h1 class="hidden-text printed">{{ t('log.title') }}</h1>
      <LogFilter class="no-print" />
      <StateNotice v-if="store.failure" :failure="store.failure" @retry="store.loadLog()" />
      <p v-else-if="!store.log" class="soft" role="status">{{ t('app.loading') }}</p>
      <p v-else-if="store.log.length === 0" class="soft" role="status">{{ t('log.nothing') }}</p>
      <section v-for="one in months" :key="one.title">
        <h2>{{ one.title }}</h2>
        <RunRow v-for="run in one.runs" :key="run.id" :run="run" />
      </section>
      <LogCounts v-if="store.log" :runs="store.log" />
      <v-btn v-if="store.next" :loading="store.loadingLog" class="more no-print" @click="store.loadLog(true)">
        {{ t('log.more') }}
      </v-btn>
    </template>
  </section>
</template>

<style scoped>
.log {
  padding: 10px 24px 48px;
}
h2 {
  margin: 18px 0 8px;
  font-size: 17px;
}
.more {
  margin-top: 16px;
}
@media print {
  .log {
    padding: 0;
  }
  .printed {
    position: static;
    width: auto;
    height: auto;
    clip-path: none;
  }
}
@media (max-width: 799px) {
  .log {
    padding: 8px 16px 40px;
  }
}
</style>
