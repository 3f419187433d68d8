<script setup lang="ts">
import { MINUTE_MS } from '~~/core/measure/time'
import { momentOf, nextStep } from '~~/shared/meal'

/** Calls the cook, wherever in the app, when a step of the dinner is due. */
const { t } = useI18nText()
const { taskText } = useMealWords()
const { call } = useAlarm()
const meals = useMealsStore()
void meals.load()
const nowMs = useNow(2000)
const route = useRoute()
const canSay = useMealMessages()

/** What is not done long after its time is not called for any more. */
const STALE_MS = 30 * MINUTE_MS
const CALL_AGAIN_MS = 2 * MINUTE_MS
const due = computed(() => {
  const meal = meals.current?.content
  const step = meal && nextStep(meal)
  if (!meal || !step || !canSay.value) return null
  const late = nowMs.value - momentOf(meal, step.startMinute)
  if (late < 0 || late > STALE_MS) return null
  return {
    id: step.id,
    text: t('meals.calls', { dish: step.dish, what: taskText(meal, step, meals.toldOf(meal, step.id)) }),
  }
})
let called = { id: '', at: -Infinity }
watch(
  () => [due.value, nowMs.value] as const,
  ([step, now]) => {
    if (!step || (called.id === step.id && now - called.at < CALL_AGAIN_MS)) return
    called = { id: step.id, at: now }
    call(step.text)
  },
  { immediate: true },
)
</script>

<template>
  <div v-if="due && route.path !== '/'" class="calls no-print" role="alert">
    <NuxtLink to="/">{{ due.text }}</NuxtLink>
  </div>
</template>

<style scoped>
.calls {
  padding: 8px 24px;
  background: var(--ink);
  font-size: 18px;
  font-weight: 700;
}
.calls a {
  color: var(--ground);
}
</style>
