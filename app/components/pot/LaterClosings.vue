<script setup lang="ts">
import { readyAtMinute, type PlanAnswer } from '~~/core/program/answer'

/** What comes after the first closing of the lid: what goes in then, with what water, and for how long. */
const { answer } = defineProps<{ answer: PlanAnswer }>()
const { t, number, duration } = useI18nText()
const laterFoods = useLaterFoods()

const closings = computed(() => (answer.later ?? []).map((one) => ({ ...one, foods: laterFoods(answer, one) })))
</script>

<template>
  <section v-for="(one, i) in closings" :key="i" class="later" :aria-label="t('pot.later.title', { foods: one.foods })">
    <p class="soft">{{ t('pot.later.title', { foods: one.foods }) }}</p>
    <p class="then">
      <span class="figure tone-heat">{{ number(one.range.figure) }}</span>
      <span class="tone-heat">{{
        t(one.range.unit === 'whistles' ? 'units.whistles' : 'units.min', one.range.figure)
      }}</span>
      <span class="beside">
        <strong v-if="one.range.high > one.range.low">{{
          t('pot.answer.covers', { low: number(one.range.low), high: number(one.range.high) })
        }}</strong>
        <span class="tone-water">{{
          one.addWaterG > 0 ? t('pot.remedy.water', { grams: number(one.addWaterG) }) : t('pot.later.noWater')
        }}</span>
        <span class="soft">{{ t('pot.later.opens', { time: duration(one.minutes) }) }}</span>
      </span>
    </p>
  </section>
  <p v-if="closings.length > 0" class="all">{{ t('pot.later.all', { time: duration(readyAtMinute(answer)) }) }}</p>
</template>

<style scoped>
p {
  margin: 0;
}
.then {
  display: flex;
  align-items: baseline;
  gap: 8px;
  margin-bottom: 4px;
}
.figure {
  font-size: 44px;
}
.beside {
  display: grid;
  margin-left: auto;
  font-size: 14.5px;
  text-align: right;
}
.all {
  font-weight: 650;
}
</style>
