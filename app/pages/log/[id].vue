<script setup lang="ts">
import { happenedIn } from '~~/core/live/facts'
import { closingsOf } from '~~/core/live/follow'
import { runsByItself } from '~~/core/live/next'
import { awaitsFoods } from '~~/core/live/run'
import { simulate } from '~~/core/pot/simulate'
import { potOfRequest } from '~~/shared/pot-request'

const route = useRoute()
const { t, inSentence, number, day, clock, weight } = useI18nText()
const { foodName } = useKitchenStore()
const runs = useRunsStore()
const id = computed(() => String(route.params.id))
const run = computed(() => runs.one(id.value) ?? null)
const failure = computed(() => (run.value ? null : (runs.missing.get(id.value) ?? null)))
const load = () => runs.loadOne(id.value)
void load()

const lighter = computed(() => run.value && useHouseholdStore().lighterOf(run.value))
const facts = computed(() => (run.value ? runFacts(run.value) : null))
/** A strip for each closing of the lid: planned when it was closed, and what happened then. */
const strips = computed(() =>
  run.value
    ? closingsOf(run.value.plan, run.value.events).map(({ cycle, course: { pot, program, release } }) => ({
        curve: simulate({ ...pot, program, release }, { trace: true }),
        release,
        startMs: cycle.litAt ?? startedMs.value,
        happened: happenedIn(cycle),
      }))
    : [],
)
const poured = computed(() => run.value?.plan.answer.closings.reduce((sum, { water }) => sum + water.pourG, 0) ?? 0)
const startedMs = computed(() => facts.value?.startedMs ?? NaN)
const goesOn = computed(() => {
  if (!facts.value || !run.value) return false
  const { state } = facts.value
  return !['opened', 'abandoned'].includes(state.phase) || awaitsFoods(run.value.plan.answer, state)
})
const verdictWords = useVerdictWords()
const verdicts = computed(() =>
  (run.value?.verdicts ?? []).map((one) => ({
    content: one.content,
    text: [verdictWords(one), one.note].filter(Boolean).join(' · '),
  })),
)
const repeated = computed(() => (run.value ? potOfRequest(run.value.plan, useKitchenStore().loaded) : null))
function repeat() {
  if (!repeated.value) return
  usePotStore().replace(repeated.value)
  void navigateTo(repeated.value.inTins ? TINS_PATH : LOOSE_PATH)
}
useHead({ title: () => `${run.value?.name ?? t('log.title')} · Bivvet` })
</script>

<template>
  <section class="entry">
    <NuxtLink to="/log" class="back soft link-button no-print">{{ t('log.back') }}</NuxtLink>
    <StateNotice v-if="failure" :failure="failure" @retry="load" />
    <p v-else-if="!run || !facts" class="soft" role="status">{{ t('app.loading') }}</p>
    <template v-else>
      <RunName :key="run.id" :run="run" />
      <p class="soft facts">
        {{ day(startedMs) }}, {{ clock(startedMs) }} · {{ run.plan.cookerName }} ·
        {{
          run.plan.answer.foods
            .map(({ food, dryG }) => t('units.amountOf', { grams: weight(dryG), food: inSentence(foodName(food)) }))
            .join(', ')
        }}
        ·
        {{ t('log.poured', { grams: weight(poured) }) }}
        <template v-if="lighter">· {{ t('log.litBy', { name: lighter }) }}</template>
      </p>
      <LinkBtn v-if="!goesOn && repeated" class="back no-print" @click="repeat">
        {{ t('log.planAgain') }}
      </LinkBtn>
      <NuxtLink v-if="goesOn" :to="`/cook/${run.id}`" class="back link-button">{{ t('log.again') }}</NuxtLink>
      <dl>
        <div>
          <dt class="soft">{{ t('log.planned') }}</dt>
          <dd class="figure tone-heat">
            {{
              facts.counts
                ? t('log.whistleCount', { n: facts.planned.figure }, facts.planned.figure)
                : t('log.minuteCount', { n: facts.planned.figure })
            }}
          </dd>
          <dd class="soft">{{ t('log.until', { n: number(facts.planned.openMinute) }) }}</dd>
        </div>
        <div>
          <dt class="soft">{{ t('log.happened') }}</dt>
          <dd class="figure">
            <template v-if="facts.happened.figure === null">{{ t('log.notYet') }}</template>
            <template v-else>
              {{
                facts.counts
                  ? t('log.whistleCount', { n: facts.happened.figure }, facts.happened.figure)
                  : t('log.minuteCount', { n: number(facts.happened.figure) })
              }}
            </template>
          </dd>
          <dd class="soft">
            {{
              facts.happened.openMinute === null
                ? t('log.notYet')
                : t('log.until', { n: number(facts.happened.openMinute) })
            }}
          </dd>
        </div>
      </dl>
      <p v-if="run.cameOut" class="came">
        {{ t('log.cameOut', { grams: weight(run.cameOut.massG), n: number(run.cameOut.servings) }) }}
        <template v-if="run.cameOut.place && run.cameOut.keptPortions > 0">
          ·
          {{ t(`log.keptIn.${run.cameOut.place}`, { n: number(run.cameOut.keptPortions) }, run.cameOut.keptPortions) }}
        </template>
      </p>
      <RunStrip
        v-for="(strip, i) in strips"
        :key="i"
        :curve="strip.curve"
        :release="strip.release"
        :start-ms="strip.startMs"
        :happened="strip.happened"
        :electric="runsByItself(run.plan.answer)"
        :height="170"
      />
      <VerdictForms v-if="!goesOn" :run="run" class="verdicts no-print" />
      <ul v-if="verdicts.length > 0" class="paper">
        <li v-for="one in verdicts" :key="one.content">{{ one.text }}</li>
      </ul>
      <RunLeftovers v-if="!goesOn" :run="run" class="no-print" />
      <RunRemarks v-if="!goesOn" :run="run" class="no-print" />
      <RunTaught v-if="!goesOn" :run="run" />
    </template>
  </section>
</template>

<style scoped>
.entry {
  max-width: 980px;
  padding: 18px 24px 48px;
}
.back {
  font-size: 14.5px;
  color: inherit;
}
h1 {
  margin: 8px 0 0;
  font-size: 24px;
}
.facts {
  margin: 2px 0 14px;
}
dl {
  display: flex;
  gap: 48px;
  margin: 16px 0 20px;
}
dd {
  margin: 0;
}
dd.figure {
  font-size: 34px;
  margin: 2px 0;
}
/* On paper a verdict is what was said, not the form for it. */
.paper {
  display: none;
}
@media print {
  .entry {
    max-width: none;
    padding: 0;
  }
  .paper {
    display: block;
  }
}
.verdicts {
  margin-top: 26px;
}
@media (max-width: 799px) {
  .entry {
    padding: 14px 16px 40px;
  }
}
</style>
