<script setup lang="ts">
import { runsByItself } from '~~/core/live/next'
import { simulate } from '~~/core/pot/simulate'
import type { PlanAnswer } from '~~/core/program/answer'

/** The strips of the closings after the first, under it. */
const { answer } = defineProps<{ answer: PlanAnswer }>()
const { t } = useI18nText()
const laterFoods = useLaterFoods()
const strips = computed(() =>
  (answer.later ?? []).map((one) => ({
    foods: laterFoods(answer, one),
    release: one.case.release,
    curve: simulate(one.case, { trace: true }),
  })),
)
</script>

<template>
  <div v-for="(strip, i) in strips" :key="i" class="later">
    <p>{{ t('pot.later.strip', { foods: strip.foods }) }}</p>
    <RunStrip :curve="strip.curve" :release="strip.release" :electric="runsByItself(answer)" :height="120" />
  </div>
</template>

<style scoped>
.later {
  margin-top: 14px;
}
p {
  margin: 0;
  font-weight: 650;
}
</style>
