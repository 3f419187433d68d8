<script setup lang="ts">
import { runsByItself } from '~~/core/live/next'
import { BURNERS } from '~~/core/pot/cookers'
import { v4 as uuid } from 'uuid'
import type { RunWithPlan, SavedPlan } from '~~/shared/kitchen'

const { t, number, duration, problemText } = useI18nText()
const pot = usePotStore()
const { request } = storeToRefs(pot)
const kitchen = computed(() => useKitchenStore().kitchen!)
const { answer, problems } = usePlan(request)
const curve = useCurve(answer)
const nowMs = useNow()

const cup = computed(() => kitchen.value.measures.find(({ id }) => id === pot.form.unit) ?? useKitchenStore().cup)
/** How strong the planned flame is, for the drawing. */
const heat = computed(() => {
  const burner = pot.burner?.burner
  if (!burner || !answer.value || runsByItself(answer.value)) return 1
  const byFlame = pot.styleKind === 'whistles' || pot.styleKind === 'clock'
  return burner[byFlame ? pot.form.flame : 'high'] / BURNERS.strong.high
})
const soaked = computed(() => (answer.value?.foods[0]?.soakedShare ?? 0) > 0)
/** Problems that no row of the form shows by itself. */
const otherProblems = computed(() =>
  problems.value.filter(({ path }) => !/\.(dryG|food|g)$|\.soak\.|^style/.test(path)),
)

const lighting = ref(false)
const failure = ref<ApiFailure | null>(null)
// The ids stay until the start has gone through, so that a second try cannot start a second run.
let ids = { plan: uuid(), run: uuid(), request: '' }

async function light() {
  if (!request.value || !pot.cooker || !pot.food) return
  const asked = JSON.stringify(request.value)
  if (ids.request !== asked) ids = { plan: uuid(), run: uuid(), request: asked }
  lighting.value = true
  failure.value = null
  try {
    const body = { id: ids.plan, name: pot.food.name, cookerId: pot.cooker.id, request: request.value }
    await $fetch<SavedPlan>('/api/plans', { method: 'POST', body })
    const run = await $fetch<RunWithPlan>('/api/runs', { method: 'POST', body: { id: ids.run, planId: ids.plan } })
    ids = { plan: uuid(), run: uuid(), request: '' }
    await navigateTo(`/cook/${run.id}`)
  } catch (error) {
    failure.value = failureOf(error)
  } finally {
    lighting.value = false
  }
}
useHead({ title: () => `${pot.food?.name ?? t('pot.untitled')} · Bivvet` })
</script>

<template>
  <div class="pot">
    <section class="inputs">
      <h1>{{ pot.food?.name ?? t('pot.untitled') }}</h1>
      <p class="soft place">{{ t('pot.place', { name: kitchen.name, altitude: number(kitchen.altitudeM) }) }}</p>
      <PotInputs :problems="problems" />
    </section>

    <section v-if="answer && curve && pot.cooker" class="drawing">
      <PotCutaway
        :cooker="pot.cooker.cooker"
        :fill="answer.fill"
        :heat="heat"
        :name="pot.cooker.name"
        :soaked="soaked"
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
      </div>
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
    </section>

    <section v-if="answer && curve" class="timeline">
      <RunStrip
        :curve="curve"
        :release="answer.release"
        :start-ms="nowMs"
        :electric="runsByItself(answer)"
        :height="190"
      />
    </section>
    <section v-if="answer && curve" class="more">
      <CautionList :cautions="answer.cautions" />
      <ElsewhereList />
    </section>
    <a v-if="answer" href="#answers" class="mini no-print" :class="{ stale: problems.length > 0 }">
      <span class="figure tone-water">{{ number(answer.water.pourG) }} {{ t('units.g') }}</span>
      <span class="figure tone-heat">
        {{ number(answer.range.figure) }}
        {{ t(answer.range.unit === 'whistles' ? 'units.whistles' : 'units.min', answer.range.figure) }}
      </span>
      <span class="figure">{{ duration(answer.clock.openAtMinute) }}</span>
    </a>
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
.place {
  margin: 2px 0 10px;
  font-size: 14px;
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
