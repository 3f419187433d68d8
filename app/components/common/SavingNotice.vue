<script setup lang="ts">
/**
 * What stands in the way of keeping the kitchen, on every screen that changes it, each with its way out: nothing
 * answers, something is wrong, or another device has changed it too.
 */
const { hidden = null } = defineProps<{
  /** Places whose problems the screen shows by itself. */
  hidden?: RegExp | null
}>()
const { t, problemText } = useI18nText()
const store = useKitchenStore()
const problems = computed(() => (store.failure?.problems ?? []).filter(({ path }) => !hidden?.test(path)))
</script>

<template>
  <div v-if="store.theirs" class="notice" role="alert">
    <p>{{ t('saving.conflict.text') }}</p>
    <div class="ways">
      <v-btn variant="flat" color="primary" @click="store.takeTheirs">{{ t('saving.conflict.theirs') }}</v-btn>
      <v-btn @click="store.putOurs">{{ t('saving.conflict.ours') }}</v-btn>
    </div>
  </div>
  <div v-else-if="store.failure && store.state !== 'kept'" class="notice" role="alert">
    <p v-if="store.failure.kind === 'network'">{{ t('errors.network') }}</p>
    <p v-else-if="store.failure.kind === 'server'">{{ t('errors.server') }}</p>
    <template v-else>
      <p v-for="problem in problems" :key="problem.path">{{ problemText(problem) }}</p>
    </template>
    <v-btn v-if="store.failure.kind !== 'refused'" variant="flat" color="primary" @click="store.save">{{
      t('app.retry')
    }}</v-btn>
  </div>
</template>

<style scoped>
.notice {
  display: grid;
  justify-items: start;
  gap: 8px;
  margin: 14px 0 0;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
}
p {
  margin: 0;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
