<script setup lang="ts">
import { heatsItself } from '~~/core/appliance/appliance'
import type { ClosingAnswer, PlanAnswer } from '~~/core/program/answer'
import type { Simulation } from '~~/core/pot/simulation'

/** The whistles or minutes of one closing of the lid as a great figure, with how they come and when to look first. */
const { answer, closing, curve, later } = defineProps<{
  answer: PlanAnswer
  closing: ClosingAnswer
  curve: Simulation | undefined
  later: boolean
}>()
const { t, number } = useI18nText()
const pot = usePotStore()
const kitchen = useKitchenStore()

const { lead } = usePotPlan()
const figure = computed(() =>
  !later && lead.value?.unit === closing.range.unit ? lead.value.figure : closing.range.figure,
)
const counts = computed(() => closing.range.unit === 'whistles')
const label = computed(() => (pot.request ? programLabel(t, pot.request.style) : ''))
const unit = computed(() => t(counts.value ? 'units.whistles' : 'units.min', {}, figure.value))
/** How sure that is: the figure is the one to act on, and no other stands beside it. */
const words = computed(() => surenessWords(t, number, closing))
const rhythm = computed(() => {
  if (!curve || curve.minutesToPressure === null) return []
  const { whistleMinutes, minutesToPressure } = curve
  const minutes = number(minutesToPressure)
  if (heatsItself(closing.case.appliance) || curve.whistles === 0) return [t('pot.answer.pressureAt', { minutes })]
  if (!counts.value) return [t('pot.answer.whistleAt', { minutes })]
  const lines = [t('pot.answer.firstAt', { minutes })]
  const [first, last] = [whistleMinutes[0], whistleMinutes.at(-1)]
  if (first !== undefined && last !== undefined && whistleMinutes.length > 1) {
    const seconds = ((last - first) / (whistleMinutes.length - 1)) * 60
    const time = everyWords(t, number, seconds)
    lines.push(t('pot.answer.thenEach', { time }))
  }
  return lines
})
const wantedTexture = (foodId: string, texture: PlanAnswer['foods'][number]['texture']) => {
  const food = kitchen.food(foodId)
  return textureName(t, food ? textureFamily(food) : 'other', texture)
}
</script>

<template>
  <AnswerFigure :label="label" :figure="number(figure)" :unit="unit" tone="heat" :small="later">
    <template #beside>
      <strong v-if="words.sure">{{ words.sure }}</strong>
      <span v-if="closing.range.figure !== closing.planned.figure" class="tone-heat">{{
        t('pot.try.insteadOf', { figure: number(closing.planned.figure) })
      }}</span>
      <span v-if="words.look && pot.styleKind !== 'rice-cooker'" class="soft">{{ words.look }}</span>
      <template v-if="!later">
        <span v-for="line in rhythm" :key="line" class="soft">{{ line }}</span>
      </template>
    </template>
    <template v-if="!later" #why>
      <LazyNeedLines
        v-for="(food, i) in answer.foods"
        :key="i"
        :food="food"
        :name="answer.foods.length > 1 ? kitchen.foodName(food.food) : null"
        :texture="wantedTexture(food.food, food.texture)"
        :hottest-c="answer.hottestC"
      />
    </template>
  </AnswerFigure>
</template>

<style scoped>
.rule {
  margin: 6px 0 0;
}
</style>
