<script setup lang="ts">
import { heatsItself } from '~~/core/appliance/appliance'
import { FLAMES } from '~~/core/names'
import { applianceOf, unitOf, type PlanAnswer } from '~~/core/program/answer'
import { UNMEASURED } from '~~/core/unknown'
import { potOfRequest } from '~~/shared/pot-request'
import type { LearntFactors } from '~~/core/program/request.schema'

/** What the log has put in the place of what is assumed, and what it would be without; and how it was done last time. */
const { answer } = defineProps<{ answer: PlanAnswer }>()
const { t, inSentence, number, day, weight, list } = useI18nText()
const kitchen = useKitchenStore()
const pot = usePotStore()
const runs = useRunsStore()

/** Below this share nothing is said of a factor. */
const WORTH_SAYING = 0.02
const isOff = (times: number | undefined): times is number => times !== undefined && Math.abs(times - 1) > WORTH_SAYING
const times = (factor: number) => number(factor, 2)
const parts = computed(() => {
  const learnt: LearntFactors | undefined = pot.request?.learnt
  if (!learnt) return []
  const found: string[] = []
  const style = pot.request!.style
  const flame = ('flame' in style && style.flame) || 'high'
  const heat = heatsItself(applianceOf(answer)) ? learnt.heat : learnt.flames?.[flame]
  if (isOff(heat)) {
    const said = pot.measured?.burner?.[FLAMES.includes(flame) ? flame : 'high']
    found.push(
      said && !heatsItself(applianceOf(answer))
        ? t('pot.learnt.watts', { now: number(said * heat), said: number(said) })
        : t('pot.learnt.heat', { times: times(heat) }),
    )
  }
  if (isOff(learnt.loss)) found.push(t('pot.learnt.loss', { times: times(learnt.loss) }))
  if (isOff(learnt.steam)) found.push(t('pot.learnt.steam', { times: times(learnt.steam) }))
  answer.foods.forEach(({ food, factors }, i) => {
    const name = inSentence(kitchen.foodName(food))
    const need = factors.find(({ id }) => id === 'learnt')?.times
    if (isOff(need)) found.push(t('pot.learnt.need', { food: name, times: times(need) }))
    const drinks = learnt.contents?.[i]?.uptake
    if (isOff(drinks)) found.push(t('pot.learnt.uptake', { food: name, times: times(drinks) }))
  })
  return found
})
/** A water test or the log tells the flame more closely than is assumed of a strange one. */
const isMeasured = computed(() => (pot.request?.spread?.flame ?? UNMEASURED.heat) < UNMEASURED.heat)
/** The same pot by what is assumed. */
const plain = computed(() =>
  (parts.value.length > 0 || isMeasured.value) && pot.request
    ? [{ ...pot.request, learnt: undefined, spread: undefined }]
    : null,
)
const { result: without } = useWorked(plain, (work, asked) => work.usual(asked, false))
const figureText = (figure: number, unit: 'whistles' | 'minutes') =>
  unit === 'whistles' ? t('pot.learnt.whistles', { n: figure }, figure) : t('pot.learnt.minutes', { n: number(figure) })
const withoutText = computed(() => {
  const one = without.value?.[0] ?? null
  return one ? figureText(one.figure, one.unit) : null
})
/** Less is added to be sure of a pot that is known. */
const comesDown = computed(() => {
  const one = without.value?.[0] ?? null
  return (
    isMeasured.value && one !== null && one.unit === unitOf(answer) && answer.closings[0]!.range.figure < one.figure
  )
})
const nowText = computed(() => figureText(answer.closings[0]!.range.figure, unitOf(answer)))
/** Figures stand side by side where they differ. */
const isPaired = computed(() =>
  [parts.value.length > 0 || comesDown.value ? withoutText.value : null, lastText.value?.figure].some(
    (other) => other && other !== nowText.value,
  ),
)

const asking = ref(false)
const last = shallowRef<Awaited<ReturnType<typeof runs.lastOf>> | undefined>()
const failure = ref<ApiFailure | null>(null)
const of = computed(() => `${pot.form.items[0]?.foodId} ${pot.cooker?.id}`)
watch(of, () => (last.value = undefined))
async function ask() {
  const foodId = pot.form.items[0]?.foodId
  if (!foodId || !pot.cooker) return
  asking.value = true
  failure.value = null
  try {
    last.value = await runs.lastOf(foodId, pot.cooker.id)
  } catch (error) {
    failure.value = failureOf(error)
  } finally {
    asking.value = false
  }
}
type Step = '-2' | '-1' | '0' | '1' | '2'
const lastText = computed(() => {
  const run = last.value
  if (!run) return null
  const facts = runFacts(run)
  const unit = facts.counts ? 'whistles' : 'minutes'
  const { foods, closings } = run.plan.answer
  const poured = closings.reduce((sum, { water }) => sum + water.pourG, 0)
  const verdict = run.verdicts.map(({ texture, foodId }) =>
    t('pot.learnt.was', {
      food: inSentence(kitchen.foodName(foodId)),
      state: t(`pot.learnt.states.${String(texture) as Step}`),
    }),
  )
  return {
    id: run.id,
    figure: facts.happened.figure === null ? null : figureText(Math.round(facts.happened.figure), unit),
    pot: potOfRequest(run.plan, kitchen.loaded),
    what: t('pot.learnt.lastWhat', {
      day: day(facts.startedMs),
      foods: list(foods.map(({ food, dryG }) => `${weight(dryG)} ${inSentence(kitchen.foodName(food))}`)),
      water: weight(poured),
      figure: facts.happened.figure === null ? '–' : figureText(Math.round(facts.happened.figure), unit),
    }),
    verdict: verdict.length > 0 ? list(verdict) : t('pot.learnt.notJudged'),
  }
})
</script>

<template>
  <div class="log no-print">
    <p v-if="parts.length > 0">
      {{ t('pot.learnt.by', { parts: list(parts) }) }}
      <NuxtLink to="/log/learnt">{{ t('pot.learnt.why') }}</NuxtLink>
    </p>
    <p v-if="comesDown">{{ t('pot.learnt.comesDown') }}</p>
    <p v-if="isPaired" class="pair">
      <span
        ><strong class="tone-heat figure">{{ nowText }}</strong> {{ t('pot.learnt.asLearnt') }}</span
      >
      <span v-if="lastText?.figure"
        ><span class="figure">{{ lastText.figure }}</span> {{ t('pot.learnt.asLast') }}</span
      >
      <span v-if="withoutText" class="soft"
        ><span class="figure">{{ withoutText }}</span> {{ t('pot.learnt.asAssumed') }}</span
      >
    </p>
    <template v-if="lastText">
      <p role="status">
        {{ lastText.what }} {{ lastText.verdict }}
        <NuxtLink :to="`/log/${lastText.id}`">{{ t('pot.learnt.open') }}</NuxtLink>
      </p>
      <LinkBtn v-if="lastText.pot" @click="pot.replace(lastText.pot)">
        {{ t('pot.learnt.take') }}
      </LinkBtn>
    </template>
    <p v-else-if="last === null" class="soft" role="status">{{ t('pot.learnt.never') }}</p>
    <LinkBtn v-else :disabled="asking" @click="ask">{{ t('pot.learnt.last') }}</LinkBtn>
    <p v-if="failure" class="tone-danger" role="alert">{{ t('pot.learnt.noAnswer') }}</p>
  </div>
</template>

<style scoped>
.log {
  font-size: 14.5px;
}
p {
  margin: 0 0 4px;
}
a {
  color: inherit;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
}
.pair .figure {
  font-size: 20px;
}
</style>
