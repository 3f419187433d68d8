<script setup lang="ts">
import { isPoured } from '~~/core/water/liquids'
import type { ClosingAnswer } from '~~/core/program/answer'
import type { HouseholdMeasure } from '~~/shared/kitchen'

/** The water of one closing of the lid as a great figure, with its sum. */
const { closing, cup, later } = defineProps<{
  closing: ClosingAnswer
  cup: HouseholdMeasure
  /** It goes boiling into a pot that was opened. */
  later: boolean
}>()
const { t, list, number, measured, partsOf, weight } = useI18nText()
const pot = usePotStore()

const { lead } = usePotPlan()
const great = computed(() => partsOf((later ? null : lead.value?.pourG) ?? closing.water.pourG, 'weight'))
/** What goes into one jug with the water: first all else that pours, then water up to a mark. */
const jug = computed(() => {
  const pouring = (pot.request?.liquids ?? []).filter(({ kind, g }) => g > 0 && isPoured(kind))
  if (later || pouring.length === 0 || closing.water.pourG === 0) return null
  const firstG = pouring.reduce((sum, { g }) => sum + g, 0)
  return t('pot.answer.jug', {
    list: list(pouring.map(({ kind, g }) => `${measured(g, cup)} ${t(`liquids.${kind}`).toLowerCase()}`)),
    mark: measured(firstG + closing.water.pourG, cup),
  })
})
const keptSoak = computed(
  () => pot.request?.contents.some(({ soak }) => soak?.keepWater && soak.waterG === undefined) ?? false,
)
</script>

<template>
  <AnswerFigure
    :label="t(later ? 'pot.later.water' : 'pot.answer.water')"
    :figure="great.figure"
    :unit="great.unit"
    tone="water"
    :small="later"
  >
    <template #beside>
      <strong>{{ measured(closing.water.pourG, cup) }}</strong>
      <span v-if="jug">{{ jug }}</span>
      <span v-if="closing.water.pourG !== closing.planned.pourG" class="tone-water">{{
        t('pot.try.insteadOf', { figure: weight(closing.planned.pourG) })
      }}</span>
      <span v-if="!later" class="soft">{{
        closing.water.ratioByVolume === null
          ? t('pot.answer.noRatio')
          : t('pot.answer.ratio', { ratio: number(closing.water.ratioByVolume, 1) })
      }}</span>
    </template>
    <template #why>
      <p class="soft rule">{{ t(`pot.answer.rules.${closing.water.rule}`) }}</p>
      <LazyWaterSum :water="closing.water" :cup="cup" :kept-soak="keptSoak && !later" />
      <LazyRatioTable v-if="!later" />
    </template>
  </AnswerFigure>
</template>

<style scoped>
.rule {
  margin: 0 0 6px;
}
</style>
