<script setup lang="ts">
import { readyAtMinute } from '~~/core/program/answer'
import { runsByItself } from '~~/core/live/next'
import { BURNERS } from '~~/core/pot/cookers'
import { emptyStack, type KeptPot } from '~~/shared/pot'

const { t, number, duration, problemText } = useI18nText()
const pot = usePotStore()
const { request } = storeToRefs(pot)
const kitchenStore = useKitchenStore()
const kitchen = computed(() => kitchenStore.kitchen!)
const { answer, curve, problems, failed } = usePlan(request)
const nowMs = useNow()
const route = useRoute()

/** The address names a kept pot: it takes the place of the one here, which undo brings back. */
const opening = ref<ApiFailure | null>(null)
async function openKept() {
  const { id } = route.params
  if (typeof id !== 'string' || id === '') return
  opening.value = null
  try {
    const kept = await $fetch<KeptPot>(`/api/pots/${id}`)
    if (pot.keptAs?.id !== id || !pot.changed) pot.open(kept)
    await navigateTo('/pot', { replace: true })
  } catch (error) {
    opening.value = failureOf(error)
  }
}
watch(() => route.params.id, openKept, { immediate: true })
// A stack of tins has a screen of its own.
watchEffect(() => {
  if (pot.form.stack) void navigateTo('/stack', { replace: true })
})

const cup = computed(() => kitchen.value.measures.find(({ id }) => id === pot.form.items[0]?.unit) ?? kitchenStore.cup)
/** How strong the planned flame is, for the drawing. */
const heat = computed(() => {
  const burner = pot.measured?.burner
  if (!burner || !answer.value || runsByItself(answer.value)) return 1
  const byFlame = pot.styleKind === 'whistles' || pot.styleKind === 'clock'
  return burner[byFlame ? pot.form.flame : 'high'] / BURNERS.strong.high
})
const soaked = computed(() => (answer.value?.foods[0]?.soakedShare ?? 0) > 0)
/** Problems that no row of the form shows by itself. */
const otherProblems = computed(() =>
  problems.value.filter(({ path }) => !/^contents\.\d+\.|^liquids\.\d+\.|^style/.test(path)),
)
const pour = computed(
  () =>
    answer.value && {
      pourG: answer.value.water.pourG,
      askedG: pot.form.given.pourG ?? answer.value.water.pourG,
    },
)
const figure = computed(() => {
  if (!answer.value || pot.styleKind === 'rice-cooker' || pot.styleKind === 'fixed') return null
  const { figure: value, unit } = answer.value.range
  return { value, asked: pot.form.given.figure ?? value, unit }
})
const foodNames = computed(() => answer.value?.foods.map(({ food }) => kitchenStore.foodName(food)) ?? [])

const { light, lighting, failure } = useLight()
useHead({ title: () => `${pot.name || t('pot.untitled')} · Bivvet` })
</script>

<template>
  <div>
    <div class="pot no-print">
      <section class="inputs">
        <h1>{{ pot.name || t('pot.untitled') }}</h1>
        <p v-if="opening" class="problems" role="alert">
          {{ opening.kind === 'network' ? t('errors.network') : t('pot.noSuchPot') }}
        </p>
        <PotBar :place="t('pot.place', { name: kitchen.name, altitude: number(kitchen.altitudeM) })" />
        <PotInputs :problems="problems" />
        <SoakStart />
        <button type="button" class="link-button stack" @click="pot.form.stack = emptyStack(pot.form)">
          {{ t('pot.stackIt') }}
        </button>
      </section>

      <section v-if="answer && curve && pot.cooker" class="drawing">
        <PotCutaway
          :cooker="pot.cooker.cooker"
          :fill="answer.fill"
          :heat="heat"
          :name="pot.cooker.name"
          :soaked="soaked"
          :pour="pour"
          @pour="(pourG) => (pot.form.given.pourG = pourG)"
        />
      </section>

      <section v-if="!pot.cooker" class="side">
        <h2>{{ t('pot.noCooker.title') }}</h2>
        <p class="soft">{{ t('pot.noCooker.text') }}</p>
        <v-btn to="/kitchen" color="primary" size="large">{{ t('pot.noCooker.go') }}</v-btn>
      </section>
      <section v-else id="answers" class="side">
        <div v-if="problems.length > 0" class="problems" role="alert">
          <p v-for="problem in otherProblems" :key="problem.path + problem.code">{{ problemText(problem) }}</p>
          <p v-if="otherProblems.length === 0">{{ t('pot.answer.mend') }}</p>
          <button
            v-if="otherProblems.length > 0 && (pot.form.given.pourG ?? pot.form.given.figure) !== null"
            type="button"
            class="link-button"
            @click="pot.form.given = { pourG: null, figure: null }"
          >
            {{ t('pot.try.back') }}
          </button>
        </div>
        <p v-if="failed" class="problems" role="alert">{{ t('errors.computing') }}</p>
        <template v-if="answer && curve">
          <PotAnswer
            :answer="answer"
            :curve="curve"
            :cup="cup"
            :stale="problems.length > 0"
            :lighting="lighting"
            @light="light"
          />
          <StateNotice v-if="failure" :failure="failure" @retry="light" />
        </template>
        <p v-else-if="problems.length === 0" class="soft" role="status">{{ t('app.working') }}</p>
      </section>

      <section v-if="answer && curve" class="timeline">
        <RunStrip
          :curve="curve"
          :release="answer.release"
          :start-ms="nowMs"
          :electric="runsByItself(answer)"
          :height="190"
          :foods="foodNames"
          :figure="figure"
          @figure="(value) => (pot.form.given.figure = value)"
        />
        <LaterStrips :answer="answer" />
        <ElsewhereTable class="below" />
        <RemedyPanel :answer="answer" class="below" />
      </section>
      <section v-if="answer && curve" class="more">
        <CautionList :cautions="answer.cautions" />
      </section>
      <a v-if="answer" href="#answers" class="mini" :class="{ stale: problems.length > 0 }">
        <span class="figure tone-water">{{ number(answer.water.pourG) }} {{ t('units.g') }}</span>
        <span class="figure tone-heat">
          {{ number(answer.range.figure) }}
          {{ t(answer.range.unit === 'whistles' ? 'units.whistles' : 'units.min', answer.range.figure) }}
        </span>
        <span class="figure">{{ duration(readyAtMinute(answer)) }}</span>
      </a>
    </div>
    <PotSheet
      v-if="answer && curve && pot.foods.every((food) => food !== null)"
      :answer="answer"
      :curve="curve"
      :cup="cup"
    />
  </div>
</template>

<style scoped>
.pot {
  display: grid;
  grid-template-columns: 352px minmax(0, 1fr) 372px;
  grid-template-areas:
    'inputs drawing side'
    'inputs timeline side'
    'inputs timeline more';
  grid-template-rows: auto auto 1fr;
  min-height: calc(100vh - 53px);
}
.pot > section {
  min-width: 0;
  padding: 16px 24px;
}
.inputs {
  grid-area: inputs;
  border-right: 1px solid var(--line);
}
.drawing {
  grid-area: drawing;
  height: max(360px, calc(100vh - 53px - 262px));
  padding-bottom: 8px;
}
.side {
  grid-area: side;
  border-left: 1px solid var(--line);
}
.timeline {
  grid-area: timeline;
  border-top: 1px solid var(--line);
}
.more {
  grid-area: more;
  display: grid;
  align-content: start;
  gap: 18px;
  border-left: 1px solid var(--line);
  border-top: 1px solid var(--line);
}
h1 {
  margin: 0;
  font-size: 21px;
  line-height: 1.2;
}
.problems {
  margin-bottom: 14px;
  padding-left: 12px;
  border-left: 3px solid var(--danger);
  color: var(--danger);
}
.problems p {
  margin: 0 0 4px;
}
.stack {
  padding: 8px 0;
  font-size: 14.5px;
}
.below {
  margin-top: 22px;
}
.mini {
  display: none;
}
@media (max-width: 1099px) {
  .pot {
    grid-template-columns: 320px minmax(0, 1fr);
    grid-template-areas:
      'inputs side'
      'inputs more'
      'drawing drawing'
      'timeline timeline';
    grid-template-rows: none;
  }
}
@media (max-width: 719px) {
  .pot {
    display: flex;
    flex-direction: column;
  }
  .pot > section {
    padding: 14px 16px;
    border: 0 !important;
    border-top: 1px solid var(--line) !important;
  }
  .side {
    order: 1;
  }
  .pot > .drawing {
    order: 2;
    height: 300px;
  }
  .timeline {
    order: 3;
  }
  .more {
    order: 4;
  }
  .mini {
    position: sticky;
    order: 5;
    bottom: 0;
    display: flex;
    justify-content: space-between;
    padding: 12px 16px;
    border-top: 1px solid var(--line);
    background: var(--ground-raised);
    color: inherit;
    text-decoration: none;
    font-size: 23px;
    z-index: 2;
  }
  .mini.stale {
    opacity: 0.45;
  }
}
</style>
