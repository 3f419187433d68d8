<script setup lang="ts">
import { useRafFn } from '@vueuse/core'
import { runsByItself } from '~~/core/live/next'
import { runState } from '~~/core/live/run'
import { FLAMES } from '~~/core/names'
import { donenessOf } from '~~/core/program/answer'

/** The practice stove: a plan tried on a simulated pot, and what becomes of the food. */
const { t, number, duration, weight } = useI18nText()
const pot = usePotStore()
const practice = usePracticeStore()
const { foodName } = useKitchenStore()

const KNOB = ['off', ...[...FLAMES].reverse()] as const
const sound = ref(false)
const speeds = [1, 5, 10, 20, 60].map((value) => ({ value: String(value), text: t('practice.times', { n: value }) }))
const speedText = computed({ get: () => String(practice.speed), set: (text) => (practice.speed = Number(text)) })

const { answer } = useTakenPlan()
const { tryIt, trying } = useDemoTry()
const refused = computed(() => answer.value?.cautions.some(({ severity }) => severity === 'refuse') ?? false)
function begin() {
  if (!answer.value || !pot.request || !pot.cooker) return
  const { id: cookerId, name: cookerName } = pot.cooker
  const request = JSON.parse(JSON.stringify(pot.request))
  practice.begin({ name: pot.name, cookerId, cookerName, request, answer: answer.value })
}

let last = 0
useRafFn(({ timestamp }) => {
  // A page that slept does not make up for it at one go.
  const passed = last ? Math.min(250, timestamp - last) : 0
  last = timestamp
  if (practice.plan) practice.pass(passed)
})
useStoveSound(
  sound,
  computed(() => practice.whistling),
)

const itself = computed(() => practice.plan !== null && runsByItself(practice.plan.answer))
const counted = computed(() => runState(practice.events).cycles.flatMap(({ whistles }) => whistles).length)
const results = computed(() => {
  const { plan, truth } = practice
  if (!plan || !truth || !practice.opened) return null
  return plan.answer.foods.map(({ food, window, needs }, i) => {
    const got = truth.gets[i]!
    return { food, got, needs, word: donenessOf(got, window), window }
  })
})
useHead({ title: () => `${t('practice.title')} · Bivvet` })
</script>

<template>
  <div class="practice">
    <div v-if="!practice.plan" class="begin">
      <h1>{{ t('practice.title') }}</h1>
      <p>{{ t('practice.text') }}</p>
      <template v-if="answer && pot.cooker">
        <p class="what">
          <strong>{{ pot.name }}</strong> · {{ pot.cooker.name }} ·
          {{
            answer.closings
              .map(({ range }) => t(`pot.elsewhere.${range.unit}`, { n: range.figure }, range.figure))
              .join(' + ')
          }}
        </p>
        <v-checkbox v-model="practice.chance" :label="t('practice.chance')" />
        <p v-if="refused" class="tone-danger" role="alert">{{ t('practice.refused') }}</p>
        <v-btn variant="flat" color="primary" size="large" :disabled="refused" @click="begin">{{
          t('practice.begin')
        }}</v-btn>
      </template>
      <p v-else>{{ t('practice.noPot') }}</p>
      <v-btn size="large" :loading="trying" @click="tryIt">{{ t('app.tryBeans') }}</v-btn>
      <NuxtLink to="/pot" class="link-button to-pot">{{ t('practice.toPot') }}</NuxtLink>
    </div>
    <template v-else>
      <div class="stove" role="group" :aria-label="t('practice.stove')">
        <strong class="kind">{{ t('practice.title') }}</strong>
        <ChoiceBar
          v-if="!itself"
          :model-value="practice.flame"
          :label="t('practice.knob')"
          :choices="KNOB.map((value) => ({ value, text: t(value === 'off' ? 'practice.off' : `pot.flames.${value}`) }))"
          @update:model-value="practice.knob"
        />
        <span class="steam" :class="{ on: practice.whistling }" role="status">
          {{ practice.pot?.isDry ? t('practice.dry') : practice.whistling ? t('practice.whistles') : '' }}
        </span>
        <span class="gap" />
        <ChoiceBar v-model="speedText" :label="t('practice.speed')" :choices="speeds" />
        <v-checkbox v-model="sound" :label="t('practice.sound')" />
        <LinkBtn @click="practice.plan = null">{{ t('practice.leave') }}</LinkBtn>
      </div>
      <p v-if="practice.failed" class="tone-danger" role="alert">{{ t('cook.failed') }}</p>
      <CookBoard
        v-else-if="practice.following && practice.action"
        :plan="practice.plan"
        :following="practice.following"
        :action="practice.action"
        :phase="runState(practice.events).phase"
        :now-ms="practice.nowMs"
        :unsent="0"
        :refused="practice.refused"
        @add="practice.add"
        @undo="practice.undo"
      >
        <template #over>
          <div v-if="results && practice.truth" class="results">
            <div v-for="{ food, got, needs, word, window } in results" :key="food" class="result">
              <h2>{{ t('practice.came', { food: foodName(food), word: t(`window.states.${word}`) }) }}</h2>
              <p class="soft">
                {{
                  t('practice.got', {
                    got: number(got),
                    needs: number(needs),
                    firm: number(window.firm),
                    max: number(window.max),
                  })
                }}
              </p>
            </div>
            <p>
              {{
                practice.truth.isDry
                  ? t('practice.boiledDry')
                  : t('practice.water', { g: weight(practice.truth.waterG) })
              }}
              {{ t('practice.counted', { n: counted, given: practice.whistlesGiven }) }}
              {{ t('practice.took', { time: duration(practice.minutes) }) }}
            </p>
            <PinchPanel :plan="practice.plan" :following="practice.following" @add="practice.add" />
            <v-btn variant="flat" color="primary" @click="begin">{{ t('practice.again') }}</v-btn>
          </div>
        </template>
      </CookBoard>
      <p v-else class="begin soft" role="status">{{ t('app.loading') }}</p>
    </template>
  </div>
</template>

<style scoped>
.practice {
  min-height: calc(100vh - 53px);
  background: var(--ground);
  color: var(--ink);
}
.begin {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 640px;
  padding: 28px 24px;
}
.begin h1 {
  margin: 0;
}
.begin p {
  margin: 0;
}
.begin a {
  color: inherit;
}
.what {
  font-size: 18px;
}
.stove {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  padding: 8px 40px;
  border-bottom: 1px solid var(--line);
}
.steam {
  min-width: 9ch;
  font-weight: 700;
}
.steam.on {
  color: var(--steam);
}
.gap {
  flex: 1;
}
.practice :deep(.board) {
  min-height: calc(100vh - 53px - 58px);
}
.results {
  display: grid;
  align-content: start;
  justify-items: start;
  gap: 12px;
  margin-top: 16px;
  font-size: 18px;
}
.result h2 {
  margin: 0;
  font-size: 26px;
}
.results p {
  margin: 0;
}
@media (max-width: 800px) {
  .stove {
    padding: 8px 16px;
  }
}
</style>
