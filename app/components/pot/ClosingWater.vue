<script setup lang="ts">
import { pourable, UNMENTIONED_ERROR } from '~~/core/measure/pourable'
import type { ClosingAnswer } from '~~/core/program/answer'
import type { HouseholdMeasure } from '~~/shared/kitchen'

/** The water of one closing of the lid as a great figure, with its sum. */
const { closing, cup, later } = defineProps<{
  closing: ClosingAnswer
  cup: HouseholdMeasure
  /** It goes boiling into a pot that was opened. */
  later: boolean
}>()
const { t, number, partText } = useI18nText()
const pot = usePotStore()

const inCups = computed(() => pourable(closing.water.pourG, cup))
const text = computed(() => {
  const parts = inCups.value.parts.map((part) => partText(part, cup)).join(' + ')
  return Math.abs(inCups.value.errorShare) > UNMENTIONED_ERROR ? t('units.approx', { text: parts }) : parts
})
const keptSoak = computed(
  () => pot.request?.contents.some(({ soak }) => soak?.keepWater && soak.waterG === undefined) ?? false,
)
</script>

<template>
  <AnswerFigure
    :label="t(later ? 'pot.later.water' : 'pot.answer.water')"
    :figure="number(closing.water.pourG)"
    :unit="t('units.g')"
    tone="water"
    :small="later"
  >
    <template #beside>
      <strong>{{ text }}</strong>
      <span v-if="closing.water.pourG !== closing.planned.pourG" class="tone-water">{{
        t('pot.try.insteadOf', { figure: t('units.grams', { n: number(closing.planned.pourG) }) })
      }}</span>
      <span v-if="!later" class="soft">{{
        closing.water.ratioByVolume === null
          ? t('pot.answer.noRatio')
          : t('pot.answer.ratio', { ratio: number(closing.water.ratioByVolume, 1) })
      }}</span>
    </template>
    <template #why>
      <p class="soft rule">{{ t(`pot.answer.rules.${closing.water.rule}`) }}</p>
      <WaterSum :water="closing.water" :cup="cup" :kept-soak="keptSoak && !later" />
      <RatioTable v-if="!later" />
    </template>
  </AnswerFigure>
</template>

<style scoped>
.rule {
  margin: 0 0 6px;
}
</style>
