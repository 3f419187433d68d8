<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { heatsItself } from '~~/core/appliance/appliance'
import { endsByItself, styleOf } from '~~/core/program/styles'
import { applianceOf } from '~~/core/program/answer'
import { givenAt, withGiven } from '~~/shared/pot'

const TELL_AFTER_MS = 900

/** The pot with everything loose in it: what goes in, the drawing, the answer, and what stands beside it. */
const { t, clock, number, duration, problemText, weight } = useI18nText()
const cautionText = useCautionText()
const pot = usePotStore()
const kitchen = useKitchenStore()
const { answer, lead, curves, problems, failed, nowMs, heat, cup, light, lighting, failure } = usePotPlan()

const soakMs = useSoakAhead(nowMs)
const first = computed(() => answer.value?.closings[0] ?? null)
const soaked = computed(() => (answer.value?.foods[0]?.soakedShare ?? 0) > 0)
const isGiven = computed(() => pot.form.given.length > 0)
const give = (change: { pourG?: number | null; figure?: number | null }) =>
  (pot.form.given = withGiven(pot.form.given, 0, change))
/** Back at the plan, the answer that stands yet may be that of what was given before. */
const answered = computed(() => {
  if (!first.value) return null
  const { water, range, planned } = first.value
  return isGiven.value ? { pourG: water.pourG, figure: range.figure } : planned
})
const pour = computed(
  () =>
    first.value && {
      pourG: first.value.water.pourG,
      askedG: givenAt(pot.form, 0).pourG ?? answered.value!.pourG,
    },
)
const figure = computed(() => {
  if (!first.value || !pot.styleKind || endsByItself(styleOf(pot.styleKind))) return null
  const { figure: value, unit } = first.value.range
  return { value, asked: givenAt(pot.form, 0).figure ?? answered.value!.figure, unit }
})
const fill = computed(() => answer.value && { ...answer.value.fill, ...first.value!.fill })
const electric = computed(() => answer.value !== null && heatsItself(applianceOf(answer.value)))
/** It does not go into this pot at once. */
const tooMuch = computed(() => {
  const overflows = problems.value.some(({ code }) => code === 'water-over-capacity')
  return overflows || answer.value?.cautions.some(({ id }) => id === 'too-full') ? pot.request : null
})
/** Why it must not be lit, where a rule refuses it. */
const refusal = computed(() => {
  const caution = answer.value?.cautions.find(({ severity }) => severity === 'refuse')
  return caution ? cautionText(caution).sentence : ''
})
/** What a changed answer says, read out once the hand rests. */
const told = ref('')
watchDebounced(
  [answer, problems],
  () => {
    const problem = problems.value[0]
    if (problem) told.value = `${t('pot.answer.notPossible')} ${problemText(problem)}`
    else if (answer.value && first.value) {
      const { water, range } = first.value
      const unit = t(range.unit === 'whistles' ? 'units.whistles' : 'units.min', {}, range.figure)
      const params = { water: weight(water.pourG), figure: number(range.figure), unit }
      told.value = t('pot.answer.told', { ...params, time: duration(answer.value.readyAtMinute) })
    }
  },
  { debounce: TELL_AFTER_MS },
)
const foodNames = computed(() => answer.value?.foods.map(({ food }) => kitchen.foodName(food)) ?? [])
</script>

<template>
  <div class="pot no-print">
    <p class="hidden-text" aria-live="polite">{{ told }}</p>
    <section class="inputs">
      <PotHead />
      <PotInputs :problems="problems" />
      <SoakStart />
    </section>

    <section v-if="fill && pour && pot.cooker" class="drawing">
      <PotCutaway
        :cooker="pot.cooker.cooker"
        :fill="fill"
        :heat="heat"
        :name="pot.cooker.name"
        :soaked="soaked"
        :pour="pour"
        :foods="foodNames"
        @pour="(pourG) => give({ pourG })"
      />
    </section>
    <!-- Holds the drawing's place, so that nothing jumps under the hand. -->
    <section v-else-if="pot.cooker" class="drawing none" />

    <section v-if="!pot.cooker" class="side">
      <NoCooker />
    </section>
    <section v-else id="answers" class="side">
      <BatchesNote v-slot="{ batches }" :request="tooMuch">
        <v-btn @click="pot.timesAll(1 / batches.runs)">{{ t('pot.batches.take') }}</v-btn>
      </BatchesNote>
      <template v-if="problems.length > 0">
        <ProblemList :problems="problems">
          <LinkBtn v-if="isGiven" @click="pot.form.given = []">
            {{ t('pot.try.back') }}
          </LinkBtn>
        </ProblemList>
        <StyleChoice v-if="!answer" />
      </template>
      <p v-if="failed" class="problems" role="alert">{{ t('errors.computing') }}</p>
      <template v-if="answer">
        <PotAnswer :answer="answer" :cup="cup" :blocked="problems.length > 0" :lighting="lighting" @light="light" />
        <StateNotice v-if="failure" :failure="failure" @retry="light" />
      </template>
      <p v-else-if="problems.length === 0" class="soft" role="status">{{ t('app.working') }}</p>
    </section>

    <section v-if="!answer && problems.length > 0" class="timeline">
      <ElsewhereTable />
    </section>

    <section v-if="answer && curves[0]" class="timeline">
      <RunStrip
        :curve="curves[0]"
        :release="answer.release"
        :start-ms="nowMs + soakMs"
        :electric="electric"
        :height="190"
        :foods="foodNames"
        :figure="figure"
        @figure="(value) => give({ figure: value })"
      />
      <LazyLaterStrips v-if="answer.closings.length > 1" :answer="answer" :curves="curves" />
      <ElsewhereTable class="below" />
      <RemedyPanel :answer="answer" class="below" />
    </section>
    <section v-if="answer" class="more">
      <CautionList :cautions="answer.cautions" />
    </section>
    <a v-if="problems.length > 0" href="#answers" class="mini not">
      <strong>{{ t('pot.answer.notPossible') }}</strong> {{ problemText(problems[0]!) }}
    </a>
    <a v-else-if="refusal" href="#answers" class="mini not">
      <strong>{{ t('pot.answer.refused') }}</strong> {{ refusal }}
    </a>
    <a v-else-if="answer && first" href="#answers" class="mini">
      <span class="figure tone-water">{{ weight(lead?.pourG ?? first.water.pourG) }}</span>
      <span class="figure tone-heat">
        {{ number(first.range.figure) }}
        {{ t(first.range.unit === 'whistles' ? 'units.whistles' : 'units.min', {}, first.range.figure) }}
      </span>
      <span class="figure">{{
        t('pot.times.ready', { time: clock(nowMs + soakMs + answer.readyAtMinute * 60_000) })
      }}</span>
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
  border-inline-end: 1px solid var(--line);
}
.drawing {
  grid-area: drawing;
  height: max(360px, calc(100vh - 53px - 262px));
  padding-bottom: 8px;
}
.side {
  grid-area: side;
  border-inline-start: 1px solid var(--line);
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
  border-inline-start: 1px solid var(--line);
  border-top: 1px solid var(--line);
}
.problems {
  margin-bottom: 14px;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--danger);
  color: var(--danger);
}
.problems p {
  margin: 0 0 4px;
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
    bottom: calc(var(--foot) + env(safe-area-inset-bottom));
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
  .mini.not {
    display: block;
    border-top: 3px solid var(--danger);
    color: var(--danger);
    font-size: 17px;
  }
  .pot > .none {
    display: none;
  }
}
</style>
