<script setup lang="ts">
import { applianceOf, type PlanAnswer } from '~~/core/program/answer'
import { fuelOf, yieldOf } from '~~/core/program/yield'

/** What it comes to cooked, and what its heat costs. */
const { answer } = defineProps<{ answer: PlanAnswer }>()
const { t, inSentence, number, weight } = useI18nText()
const kitchen = useKitchenStore()

const lines = computed(() =>
  answer.foods.flatMap(({ food: id, dryG, texture }) => {
    const food = kitchen.food(id)
    if (!food) return []
    const { cookedG, cups, portions } = yieldOf(food, dryG, texture)
    const ofOurs = cups === null ? null : (cups * 240) / kitchen.cup.volumeMl
    const params = {
      food: kitchen.foodName(id),
      weight: weight(cookedG),
      cups:
        ofOurs === null
          ? ''
          : t('units.ownMeasure', { count: number(ofOurs, 1), name: inSentence(kitchen.cup.name) }, 2),
      portions: t('pot.yield.portions', { n: portions }, portions),
    }
    return [t(ofOurs === null ? 'pot.yield.pieces' : 'pot.yield.line', params)]
  }),
)
const fuel = computed(() => {
  const { unit, amount } = fuelOf(answer.energyKJ, applianceOf(answer))
  return t(`pot.yield.${unit}`, { n: unit === 'gas' ? weight(amount) : number(amount) })
})
</script>

<template>
  <p class="yield soft">
    {{ [...lines, fuel].join(' ') }}
  </p>
</template>

<style scoped>
.yield {
  margin: 0;
  font-size: 14.5px;
}
</style>
