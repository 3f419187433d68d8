<script setup lang="ts">
import type { Problem } from '~~/core/problem'

/** Why a pot cannot be as it is asked for; below, what takes it back. */
const { problems } = defineProps<{ problems: readonly Problem[] }>()
defineSlots<{ default?(): unknown }>()
const { t, problemText } = useI18nText()
/** Two rows may be wrong in the same way. */
const reasons = computed(() => [...new Set(problems.map((problem) => problemText(problem)))])
</script>

<template>
  <div class="problems" role="alert">
    <h2>{{ t('pot.answer.notPossible') }}</h2>
    <p v-for="reason in reasons" :key="reason">{{ reason }}</p>
    <slot />
  </div>
</template>

<style scoped>
.problems {
  margin-bottom: 14px;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
}
h2 {
  margin: 0 0 4px;
  font-size: 26px;
}
p {
  margin: 0 0 6px;
  font-size: 17px;
}
</style>
