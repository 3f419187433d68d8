<script setup lang="ts">
import { heatsItself, holdsPressure } from '~~/core/appliance/appliance'
import { applianceOf, type PlanAnswer } from '~~/core/program/answer'
import type { Simulation } from '~~/core/pot/simulation'
import { isRefused } from '~~/core/safety/rules'
import type { HouseholdMeasure } from '~~/shared/kitchen'

/** The answer: water, program and release in great figures, with the reasons behind them. */
const { answer, curves, cup, blocked, lighting } = defineProps<{
  answer: PlanAnswer
  /** One for each closing of the lid. */
  curves: readonly Simulation[]
  /** What is tried on it cannot be: it is not to be lit. */
  blocked: boolean
  cup: HouseholdMeasure
  lighting: boolean
}>()
defineEmits<{ light: [] }>()
const kitchen = useKitchenStore()
const { t, number } = useI18nText()
const pot = usePotStore()

const first = computed(() => answer.closings[0]!)
const byItself = computed(() => heatsItself(applianceOf(answer)))
const pressurised = computed(() => holdsPressure(applianceOf(answer)))

const releaseMinutes = computed(() => {
  const { release } = answer
  if (release && release.kind !== 'natural') return release.afterMinutes ?? 0
  const { openAtMinute, heatOffAtMinute } = first.value.clock
  return openAtMinute - heatOffAtMinute
})
const releaseText = computed(() => {
  if (!pressurised.value) return releaseMinutes.value > 0 ? t('pot.answer.rest') : t('pot.answer.noPressure')
  if (!answer.release || answer.release.kind === 'natural') return t('pot.answer.natural')
  return releaseMinutes.value > 0 ? t('pot.answer.timed') : t('pot.answer.quick')
})

const runs = useRunsStore()
/** What is on the stove in this cooker already. */
const onIt = computed(() => runs.running.find(({ plan }) => plan.cookerId === pot.cooker?.id) ?? null)
const refused = computed(() => isRefused(answer.cautions))

/** The cook tries other figures than the computed ones. */
const tries = computed(() => pot.form.given.length > 0)
const showTry = ref(false)
const back = () => (pot.form.given = [])
const becomesText = computed(() => {
  const { becomes, foods } = answer
  const wet = becomes ? [t('pot.try.becomes', { fate: t(`pot.fates.${becomes}`) })] : []
  const states = foods.map((food) =>
    t('pot.try.state', { food: kitchen.foodName(food.food), state: t(`window.states.${food.doneness}`) }),
  )
  return [...states, ...wet].join('; ')
})
</script>

<template>
  <div class="answers" :aria-label="t('pot.answer.title')" role="region">
    <ClosingWater :closing="first" :cup="cup" :later="false" />
    <div>
      <StyleChoice />
      <CountNote />
      <ClosingProgram :answer="answer" :closing="first" :curve="curves[0]" :later="false" />
    </div>

    <AnswerFigure
      :label="t(byItself ? 'pot.answer.releaseElectric' : 'pot.answer.release')"
      :figure="number(releaseMinutes)"
      :unit="t('units.min')"
      tone="steam"
    >
      <template #beside>
        <strong>{{ releaseText }}</strong>
        <ReadyBy :minutes="answer.readyAtMinute" />
      </template>
    </AnswerFigure>

    <div class="try no-print">
      <p v-if="tries" class="becomes" role="status">
        <strong>{{ t('pot.try.title') }}</strong> {{ becomesText }}
        <button type="button" class="link-button" @click="back">{{ t('pot.try.back') }}</button>
      </p>
      <button v-else type="button" class="link-button" :aria-expanded="showTry" @click="showTry = !showTry">
        {{ t('pot.try.open') }}
      </button>
      <template v-if="showTry || tries">
        <LazyTryFields v-for="(closing, i) in answer.closings" :key="i" :closing="closing" :index="i" />
      </template>
    </div>

    <LearntNote :answer="answer" />
    <LazyLaterClosings v-if="answer.closings.length > 1" :answer="answer" :curves="curves" :cup="cup" />
    <LazyTogetherNote v-if="answer.foods.length > 1" />

    <FoodWindow
      v-for="(food, i) in answer.foods"
      :key="i"
      :food="food"
      :name="kitchen.foodName(food.food)"
      :named="answer.foods.length > 1"
      :textures="windowNames(t, kitchen.food(food.food))"
    />

    <PotYield :answer="answer" />
    <div class="go no-print">
      <p v-if="onIt" class="tone-heat" role="status">
        {{ t('pot.lightAnyway', { cooker: pot.cooker?.name ?? '', name: onIt.name }) }}
      </p>
      <button
        type="button"
        class="quiet-button solid huge"
        :disabled="blocked || refused || lighting"
        :aria-busy="lighting"
        @click="$emit('light')"
      >
        {{ t(onIt ? 'pot.lightStill' : byItself ? 'pot.answer.lightElectric' : 'pot.answer.light') }}
      </button>
      <p v-if="refused" class="tone-danger" role="alert">{{ t('pot.answer.refused') }}</p>
      <NuxtLink v-else to="/practice" class="practise no-print">{{ t('pot.practise') }}</NuxtLink>
    </div>
  </div>
</template>

<style scoped>
.practise {
  display: inline-block;
  margin-top: 8px;
  color: inherit;
}
.answers {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 12px;
}
.try {
  font-size: 14.5px;
}
.becomes {
  margin: 0 0 4px;
  padding-left: 10px;
  border-left: 3px solid var(--water);
}
.rule {
  margin: 0 0 6px;
  font-size: 14px;
}
.go p {
  margin: 6px 0 0;
  font-size: 14px;
}
.go :deep(.v-btn) {
  font-size: 18px;
}
@media (max-width: 719px), (pointer: coarse) {
  .practise {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
}
</style>
