<script setup lang="ts">
import type { PlanAnswer } from '~~/core/program/answer'
import type { Simulation } from '~~/core/pot/simulation'
import type { HouseholdMeasure } from '~~/shared/kitchen'

/** What comes after the first closing of the lid: what goes in then, with what water, and for how long. */
const { answer, curves, cup } = defineProps<{
  answer: PlanAnswer
  curves: readonly Simulation[]
  cup: HouseholdMeasure
}>()
const { t, list, duration } = useI18nText()
const kitchen = useKitchenStore()

const later = computed(() =>
  answer.closings.slice(1).map((closing, i) => ({
    closing,
    curve: curves[i + 1],
    foods: list(closing.adds.map((index) => kitchen.foodName(answer.foods[index]!.food))),
  })),
)
</script>

<template>
  <section
    v-for="({ closing, curve, foods }, i) in later"
    :key="i"
    class="later"
    :aria-label="t('pot.later.title', { foods })"
  >
    <p class="then">{{ t('pot.later.title', { foods }) }}</p>
    <ClosingWater v-if="closing.water.pourG > 0" :closing="closing" :cup="cup" later />
    <p v-else class="tone-water">{{ t('pot.later.noWater') }}</p>
    <ClosingProgram :answer="answer" :closing="closing" :curve="curve" later />
    <p class="soft">{{ t('pot.later.opens', { time: duration(closing.clock.openAtMinute) }) }}</p>
  </section>
  <p v-if="later.length > 0" class="all">{{ t('pot.later.all', { time: duration(answer.readyAtMinute) }) }}</p>
</template>

<style scoped>
p {
  margin: 0;
}
.later {
  display: grid;
  gap: 6px;
  padding-top: 8px;
  border-top: 1px solid var(--line);
}
.then,
.all {
  font-weight: 650;
}
</style>
