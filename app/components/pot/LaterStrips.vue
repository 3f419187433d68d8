<script setup lang="ts">
import { heatsItself } from '~~/core/appliance/appliance'
import type { PlanAnswer } from '~~/core/program/answer'
import type { Simulation } from '~~/core/pot/simulation'
import { givenAt, withGiven } from '~~/shared/pot'

/** The strips of the closings after the first, under it; the end of each can be dragged as on the first. */
const { answer, curves } = defineProps<{ answer: PlanAnswer; curves: readonly Simulation[] }>()
const { t, list } = useI18nText()
const kitchen = useKitchenStore()
const pot = usePotStore()
const strips = computed(() =>
  answer.closings.slice(1).flatMap((closing, i) => {
    const curve = curves[i + 1]
    if (!curve) return []
    const { figure: value, unit } = closing.range
    return [
      {
        index: i + 1,
        foods: list(closing.adds.map((index) => kitchen.foodName(answer.foods[index]!.food))),
        curve,
        closing,
        figure: { value, asked: givenAt(pot.form, i + 1).figure ?? value, unit },
      },
    ]
  }),
)
const give = (index: number, figure: number | null) => (pot.form.given = withGiven(pot.form.given, index, { figure }))
</script>

<template>
  <div v-for="{ index, foods, curve, closing, figure } in strips" :key="index" class="later">
    <p>{{ t('pot.later.strip', { foods }) }}</p>
    <RunStrip
      :curve="curve"
      :release="closing.case.release"
      :electric="heatsItself(closing.case.appliance)"
      :height="120"
      :figure="figure"
      @figure="(value) => give(index, value)"
    />
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
