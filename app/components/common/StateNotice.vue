<script setup lang="ts">
const { failure } = defineProps<{ failure: ApiFailure }>()
defineEmits<{ retry: [] }>()
const { t, problemText } = useI18nText()
</script>

<template>
  <div class="notice" role="alert">
    <p v-if="failure.kind === 'network'">{{ t('errors.network') }}</p>
    <p v-else-if="failure.kind === 'server'">{{ t('errors.server') }}</p>
    <p v-for="problem in failure.problems" v-else :key="problem.path + problem.message">{{ problemText(problem) }}</p>
    <v-btn variant="flat" color="primary" size="large" @click="$emit('retry')">{{ t('app.retry') }}</v-btn>
  </div>
</template>

<style scoped>
.notice {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 52ch;
  margin: 48px 24px;
  padding-inline-start: 16px;
  border-inline-start: 3px solid var(--danger);
}
</style>
