<script setup lang="ts">
const route = useRoute()
const { t } = useI18nText()
const { run, failure, refused, unsent, state, add, undo, load } = useRun(String(route.params.id))
const runs = useRunsStore()

// The list behind the header's notice follows what happens here.
watch(
  () => state.value.phase,
  () => void runs.load(),
)
useHead({ title: () => `${run.value?.name ?? ''} · Bivvet` })
</script>

<template>
  <div class="cook">
    <StateNotice v-if="failure && !run" :failure="failure" @retry="load" />
    <p v-else-if="!run" class="waiting soft" role="status">{{ t('app.loading') }}</p>
    <template v-else>
      <p class="what">
        <strong>{{ run.name }}</strong> <span class="soft">{{ run.plan.cookerName }}</span>
        <NuxtLink
          v-if="state.phase === 'opened' || state.phase === 'abandoned'"
          :to="`/log/${run.id}`"
          class="to-log"
          >{{ t('cook.toLog') }}</NuxtLink
        >
      </p>
      <CookBoard :plan="run.plan" :state="state" :unsent="unsent.length" :refused="refused" @add="add" @undo="undo">
        <VerdictForms :run="run" @judged="load" />
      </CookBoard>
    </template>
  </div>
</template>

<style scoped>
.cook {
  background: var(--ground);
  color: var(--ink);
  min-height: calc(100vh - 53px);
}
.waiting {
  margin: 0;
  padding: 48px 24px;
}
.what {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin: 0;
  padding: 10px 40px 0;
  font-size: 17px;
}
.cook :deep(.board) {
  min-height: calc(100vh - 53px - 36px);
}
.to-log {
  margin-left: auto;
  color: inherit;
}
@media (max-width: 800px) {
  .what {
    padding: 8px 16px 0;
  }
}
</style>
