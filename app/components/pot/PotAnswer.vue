<script setup lang="ts">
import { runsByItself } from '~~/core/live/next'
import { pourable, UNMENTIONED_ERROR } from '~~/core/measure/pourable'
import { holdsPressure } from '~~/core/pot/appliance'
import type { Simulation } from '~~/core/pot/case'
import { readyAtMinute, type PlanAnswer } from '~~/core/program/answer'
import { isRefused } from '~~/core/safety/rules'
import type { HouseholdMeasure } from '~~/shared/kitchen'

/** The answer: water, program and release in great figures, with the reasons behind them. */
const { answer, curve, cup, stale, lighting } = defineProps<{
  answer: PlanAnswer
  curve: Simulation
  cup: HouseholdMeasure
  /** The inputs cannot be answered; what is shown belongs to the last ones that could. */
  stale: boolean
  lighting: boolean
}>()
defineEmits<{ light: [] }>()
const kitchen = useKitchenStore()
const { t, number, clock, partText } = useI18nText()
const pot = usePotStore()
const nowMs = useNow()

const waterInCups = computed(() => pourable(answer.water.pourG, cup))
const waterText = computed(() => {
  const text = waterInCups.value.parts.map((part) => partText(part, cup)).join(' + ')
  return Math.abs(waterInCups.value.errorShare) > UNMENTIONED_ERROR ? t('units.approx', { text }) : text
})

const byItself = computed(() => runsByItself(answer))
const pressurised = computed(() => holdsPressure(answer.simulation.appliance))
const counts = computed(() => answer.range.unit === 'whistles')
const programLabel = computed(() =>
  t(`pot.answer.program.${pot.styleKind}`, {
    flame: t(`pot.flames.${pot.form.flame}`),
    level: t(`pot.levels.${pot.form.level}`),
  }),
)
const programUnit = computed(() => t(counts.value ? 'units.whistles' : 'units.min', answer.range.figure))
const rangeText = computed(() => {
  const { low, high } = answer.range
  return low === high ? t('pot.answer.exact') : t('pot.answer.covers', { low: number(low), high: number(high) })
})
const checkText = computed(() =>
  answer.firstCheck.reason === 'no-range' || pot.styleKind === 'rice-cooker' || answer.later
    ? null
    : t('pot.answer.firstCheck', { n: number(answer.firstCheck.figure) }),
)
const rhythm = computed(() => {
  const { whistleMinutes, minutesToPressure } = curve
  if (minutesToPressure === null) return []
  const minutes = number(minutesToPressure)
  if (byItself.value || curve.whistles === 0) return [t('pot.answer.pressureAt', { minutes })]
  if (!counts.value) return [t('pot.answer.whistleAt', { minutes })]
  const lines = [t('pot.answer.firstAt', { minutes })]
  const [first, last] = [whistleMinutes[0], whistleMinutes.at(-1)]
  if (first !== undefined && last !== undefined && whistleMinutes.length > 1) {
    const seconds = ((last - first) / (whistleMinutes.length - 1)) * 60
    const time =
      seconds < 90
        ? t('pot.answer.seconds', { n: number(seconds) })
        : t('units.minuteCount', { n: number(seconds / 60, 1) })
    lines.push(t('pot.answer.thenEach', { time }))
  }
  return lines
})

const releaseMinutes = computed(() => {
  const { release } = answer
  if (release && release.kind !== 'natural') return release.afterMinutes ?? 0
  return answer.clock.openAtMinute - answer.clock.heatOffAtMinute
})
const releaseText = computed(() => {
  if (!pressurised.value) return releaseMinutes.value > 0 ? t('pot.answer.rest') : t('pot.answer.noPressure')
  if (!answer.release || answer.release.kind === 'natural') return t('pot.answer.natural')
  return releaseMinutes.value > 0 ? t('pot.answer.timed') : t('pot.answer.quick')
})

const times = computed(() => ({
  from: clock(nowMs.value),
  to: clock(nowMs.value + readyAtMinute(answer) * 60_000),
}))
const styles = computed(() => pot.styleKinds.map((value) => ({ value, text: t(`pot.styles.${value}`) })))
const refused = computed(() => isRefused(answer.cautions))
const keptSoak = computed(
  () => pot.request?.contents.some(({ soak }) => soak?.keepWater && soak.waterG === undefined) ?? false,
)
function textureNames(foodId: string) {
  const food = kitchen.food(foodId)
  const name = (texture: 'firm' | 'tender' | 'soft') =>
    t(`pot.textures.${food ? windowFamily(food) : 'other'}.${texture}`)
  return { firm: name('firm'), tender: name('tender'), soft: name('soft') }
}
const wantedTexture = (foodId: string, texture: string) => {
  const food = kitchen.food(foodId)
  return t(`pot.textures.${food ? textureFamily(food) : 'other'}.${texture}`)
}

/** The cook tries other figures than the computed ones. */
const given = computed(() => pot.form.given)
const tries = computed(() => given.value.pourG !== null || given.value.figure !== null)
const showTry = ref(false)
const back = () => (pot.form.given = { pourG: null, figure: null })
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
  <div :class="['answers', { stale }]" :aria-label="t('pot.answer.title')" role="region">
    <AnswerFigure :label="t('pot.answer.water')" :figure="number(answer.water.pourG)" :unit="t('units.g')" tone="water">
      <template #beside>
        <strong>{{ waterText }}</strong>
        <span v-if="answer.water.pourG !== answer.planned.pourG" class="tone-water">{{
          t('pot.try.insteadOf', { figure: t('units.grams', { n: number(answer.planned.pourG) }) })
        }}</span>
        <span class="soft">{{
          answer.water.ratioByVolume === null
            ? t('pot.answer.noRatio')
            : t('pot.answer.ratio', { ratio: number(answer.water.ratioByVolume, 1) })
        }}</span>
      </template>
      <template #why>
        <p class="soft rule">{{ t(`pot.answer.rules.${answer.water.rule}`) }}</p>
        <WaterSum :water="answer.water" :cup="cup" :kept-soak="keptSoak" />
        <RatioTable />
      </template>
    </AnswerFigure>

    <div>
      <ChoiceBar
        v-if="styles.length > 1"
        :model-value="pot.styleKind!"
        :label="t('pot.answer.title')"
        :choices="styles"
        class="styles"
        @update:model-value="(style) => (pot.styleKind = style)"
      />
      <AnswerFigure :label="programLabel" :figure="number(answer.range.figure)" :unit="programUnit" tone="heat">
        <template #beside>
          <strong>{{ rangeText }}</strong>
          <span v-if="answer.range.figure !== answer.planned.figure" class="tone-heat">{{
            t('pot.try.insteadOf', { figure: number(answer.planned.figure) })
          }}</span>
          <span v-if="checkText" class="soft">{{ checkText }}</span>
          <span v-for="line in rhythm" :key="line" class="soft">{{ line }}</span>
        </template>
        <template #why>
          <NeedLines
            v-for="food in answer.foods"
            :key="food.food"
            :food="food"
            :name="answer.foods.length > 1 ? kitchen.foodName(food.food) : null"
            :texture="wantedTexture(food.food, food.texture)"
            :hottest-c="answer.hottestC"
          />
          <p v-if="checkText" class="soft rule">{{ t(`pot.checks.${answer.firstCheck.reason}`) }}</p>
        </template>
      </AnswerFigure>
    </div>

    <AnswerFigure
      :label="t(byItself ? 'pot.answer.releaseElectric' : 'pot.answer.release')"
      :figure="number(releaseMinutes)"
      :unit="t('units.min')"
      tone="steam"
    >
      <template #beside>
        <strong>{{ releaseText }}</strong>
        <span class="soft">{{ t('pot.answer.total', times) }}</span>
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
      <TryFields v-if="showTry || tries" :answer="answer" />
    </div>

    <LaterClosings :answer="answer" />
    <TogetherNote v-if="answer.foods.length > 1" />

    <FoodWindow
      v-for="food in answer.foods"
      :key="food.food"
      :food="food"
      :name="kitchen.foodName(food.food)"
      :named="answer.foods.length > 1"
      :textures="textureNames(food.food)"
    />

    <div class="go no-print">
      <v-btn
        color="primary"
        size="x-large"
        block
        :disabled="stale || refused"
        :loading="lighting"
        @click="$emit('light')"
      >
        {{ t(byItself ? 'pot.answer.lightElectric' : 'pot.answer.light') }}
      </v-btn>
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
.stale {
  opacity: 0.45;
}
.styles :deep(label) {
  flex-basis: 45%;
}
.styles {
  width: 100%;
  margin-bottom: 8px;
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
</style>
