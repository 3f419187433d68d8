<script setup lang="ts">
/** What the log has taught: each figure with what was assumed, what it is now, and every pot that spoke of it. */
const { t } = useI18nText()
const words = useLearntWords()
const { learnt, failure, load, forgotten, busy, forget, remember } = useLearntFigures()
const rows = computed(() => (learnt.value ? learntRows(learnt.value) : []))
const undecided = computed(() => (learnt.value?.undecided ?? []).flatMap((one) => words.undecided(one) ?? []))
const count = computed(() => Object.keys(learnt.value?.runs ?? {}).length)
const title = computed(() => t('learnt.title', { n: count.value }, count.value))
useHead({ title: () => `${t('learnt.tab')} · Bivvet` })
</script>

<template>
  <section class="page">
    <div class="figures">
      <LogHead />
      <StateNotice v-if="failure && !learnt" :failure="failure" @retry="load" />
      <p v-else-if="!learnt" class="soft" role="status">{{ t('app.loading') }}</p>
      <EmptyNotice v-else-if="rows.length === 0" :title="t('learnt.empty.title')" :text="t('learnt.empty.text')" />
      <template v-else>
        <h1>{{ title }}</h1>
        <p class="soft key">{{ t('learnt.key') }}</p>
        <p v-if="learnt.pending > 0" class="soft" role="status">
          {{ t('learnt.pending', { n: learnt.pending }, learnt.pending) }}
        </p>
        <p v-if="forgotten" class="undo" role="status">
          {{ t('learnt.forgotten', { name: forgotten.name }) }}
          <LinkBtn :disabled="busy" @click="remember">{{ t('learnt.undo') }}</LinkBtn>
        </p>
        <StateNotice v-if="failure" :failure="failure" @retry="load" />
        <LearntLine
          v-for="row in rows"
          :key="row.key"
          :row="row"
          :runs="learnt.runs"
          :busy="busy"
          @forget="forget(row.ids, words.name(row.figure))"
        />
      </template>
      <LogFiles v-if="learnt" @added="load" />
    </div>
    <aside v-if="learnt && rows.length > 0">
      <LazyLearntCharts :learnt="learnt" :rows="rows" />
      <LearntChanges />
      <section v-if="undecided.length > 0">
        <h2>{{ t('learnt.undecided.title') }}</h2>
        <ul>
          <li v-for="text in undecided" :key="text">{{ text }}</li>
        </ul>
      </section>
    </aside>
  </section>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  min-height: 100%;
}
.figures {
  padding: 10px 24px 48px;
}
h1 {
  margin: 0 0 2px;
  font-size: 22px;
}
.key {
  margin: 0 0 12px;
  font-size: 14px;
}
.undo {
  margin: 0 0 10px;
}
aside {
  display: grid;
  align-content: start;
  gap: 14px;
  padding: 18px 24px 48px;
  border-inline-start: 1px solid var(--line);
}
aside h2 {
  margin: 0 0 6px;
  font-size: 16px;
}
aside ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
aside li {
  padding: 8px 0;
  border-top: 1px solid var(--line);
  font-size: 14.5px;
}
@media (max-width: 1023px) {
  .page {
    display: block;
  }
  .figures {
    padding: 8px 16px 24px;
  }
  aside {
    padding: 16px;
    border-inline-start: 0;
  }
}
</style>
