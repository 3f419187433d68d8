<script setup lang="ts">
import { heatsItself } from '~~/core/appliance/appliance'
import { applianceOf, type PlanAnswer } from '~~/core/program/answer'
import { isRefused } from '~~/core/safety/rules'
import type { HouseholdMeasure } from '~~/shared/kitchen'

/** The answer: when it is ready, what is done in its order, how sure that is, and the button that begins it. */
const { answer, cup, blocked, lighting } = defineProps<{
  answer: PlanAnswer
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
const { lead, taken } = usePotPlan()
const request = computed(() => taken.value ?? pot.request)
/** The figures that are known before the answer, where they count the same. */
const leads = computed(() => (lead.value?.unit === first.value.range.unit ? lead.value : null))
/** How sure the figure is: one line, and when a look may pay. */
const sure = computed(() =>
  Object.values(surenessWords(t, number, answer.closings.at(-1)!))
    .filter(Boolean)
    .join(' '),
)

const runs = useRunsStore()
/** What is on the stove in this cooker already. */
const onIt = computed(() => runs.running.find(({ plan }) => plan.cookerId === pot.cooker?.id) ?? null)
const refused = computed(() => isRefused(answer.cautions))

/** The cook tries other figures than the computed ones. */
const tries = computed(() => pot.form.given.length > 0)
const showTry = ref(false)
const back = () => (pot.form.given = [])
const becomesText = useBecomesText()
</script>

<template>
  <div class="answers" :aria-label="t('pot.answer.title')" role="region">
    <ReadyHead :minutes="answer.readyAtMinute" :by-itself="byItself" />
    <StyleChoice />
    <CountNote />
    <PlanSteps v-if="request" :answer="answer" :request="request" :cup="cup" :lead="leads" />
    <p v-if="sure && pot.styleKind !== 'rice-cooker'" class="sure">{{ sure }}</p>
    <div class="go no-print">
      <p v-if="onIt" class="tone-heat" role="status">
        {{ t('pot.lightAnyway', { cooker: pot.cooker?.name ?? '', name: onIt.name }) }}
      </p>
      <v-btn
        variant="flat"
        color="primary"
        size="x-large"
        block
        :disabled="blocked || refused || lighting"
        :aria-busy="lighting"
        @click="$emit('light')"
      >
        {{ t(onIt ? 'pot.lightStill' : byItself ? 'pot.answer.lightElectric' : 'pot.answer.light') }}
      </v-btn>
      <p v-if="refused" class="tone-danger" role="alert">{{ t('pot.answer.refused') }}</p>
      <NuxtLink v-else to="/practice" class="practise no-print">{{ t('pot.practise') }}</NuxtLink>
    </div>
    <div class="try no-print">
      <p v-if="tries" class="becomes" role="status">
        <strong>{{ t('pot.try.title') }}</strong> {{ becomesText(answer) }}
        <LinkBtn @click="back">{{ t('pot.try.back') }}</LinkBtn>
      </p>
      <LinkBtn v-else :aria-expanded="showTry" @click="showTry = !showTry">
        {{ t('pot.try.open') }}
      </LinkBtn>
      <template v-if="showTry || tries">
        <LazyTryFields v-for="(closing, i) in answer.closings" :key="i" :closing="closing" :index="i" />
      </template>
    </div>

    <LearntNote :answer="answer" />
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
  padding-inline-start: 10px;
  border-inline-start: 3px solid var(--water);
}
.sure {
  margin: 0;
  font-size: 15px;
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
