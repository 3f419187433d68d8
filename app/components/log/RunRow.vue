<script setup lang="ts">
import type { RunWithPlan } from '~~/shared/household'

/** One run in the log: what was planned, what happened, how it came out. */
const { run } = defineProps<{ run: RunWithPlan }>()
const { t, inSentence, number, clock, day, duration, weight } = useI18nText()
const { foodName } = useKitchenStore()

const facts = computed(() => runFacts(run))
const lighter = computed(() => useHouseholdStore().lighterOf(run))
const figureText = (figure: number | null) => {
  if (figure === null) return t('log.notYet')
  return facts.value.counts ? t('log.whistleCount', { n: figure }, figure) : t('log.minuteCount', { n: number(figure) })
}
const openText = (minute: number | null) => (minute === null ? '' : t('log.until', { n: number(minute) }))
const stateText = computed(() => {
  const { phase } = facts.value.state
  if (phase === 'ready') return t('log.notLit')
  if (phase === 'abandoned') return t('log.abandoned')
  return phase === 'opened' ? null : t('log.open')
})
const verdictWords = useVerdictWords()
const verdictText = computed(() => run.verdicts.map(verdictWords))
const startedMs = computed(() => facts.value.startedMs)
</script>

<template>
  <NuxtLink :to="`/log/${run.id}`" class="row">
    <span class="when">
      <strong>{{ day(startedMs) }}</strong>
      <span class="soft">{{ clock(startedMs) }}</span>
    </span>
    <span class="what">
      <strong>{{ run.name }}</strong>
      <span class="soft">
        {{
          run.plan.answer.foods
            .map(({ food, dryG }) => t('units.amountOf', { grams: weight(dryG), food: inSentence(foodName(food)) }))
            .join(', ')
        }}
        · {{ run.plan.cookerName }}<template v-if="lighter"> · {{ lighter }}</template>
      </span>
    </span>
    <span class="pair">
      <span class="soft kind">{{ t('log.planned') }}</span>
      <span class="figure tone-heat">{{ figureText(facts.planned.figure) }}</span>
      <span class="soft small">{{ duration(facts.planned.openMinute) }}</span>
    </span>
    <span class="pair">
      <span class="soft kind">{{ t('log.happened') }}</span>
      <span class="figure">{{ figureText(facts.happened.figure) }}</span>
      <span class="soft small">{{ openText(facts.happened.openMinute) }}</span>
    </span>
    <span class="verdict">
      <span v-if="stateText" class="state">{{ stateText }}</span>
      <span v-for="text in verdictText" :key="text" class="said">{{ text }}</span>
      <span v-if="!stateText && verdictText.length === 0" class="ask">{{ t('log.judge') }}</span>
      <span
        v-for="{ note, content } in run.verdicts.filter((verdict) => verdict.note)"
        :key="content"
        class="soft note"
        >{{ note }}</span
      >
    </span>
  </NuxtLink>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 110px minmax(0, 1.4fr) 130px 130px minmax(0, 1.1fr);
  gap: 20px;
  padding: 13px 8px;
  border-top: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
}
.row:hover {
  background: var(--ground-raised);
}
.row > span {
  display: grid;
  align-content: start;
  gap: 2px;
}
.kind,
.small {
  font-size: 13.5px;
}
.pair .figure {
  font-size: 22px;
}
.said {
  font-weight: 700;
}
.ask {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.note {
  font-size: 14.5px;
  overflow: hidden;
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
@media print {
  .row {
    grid-template-columns: 84px minmax(0, 1.4fr) 96px 96px minmax(0, 1.1fr);
    gap: 12px;
    padding: 7px 0;
    break-inside: avoid;
  }
  .note {
    -webkit-line-clamp: none;
  }
  .ask {
    display: none !important;
  }
}
@media screen and (max-width: 799px) {
  .row {
    grid-template-columns: 1fr 1fr;
    gap: 8px 16px;
    padding: 12px 0;
  }
  .what,
  .verdict {
    grid-column: 1 / -1;
  }
  .when {
    grid-column: 1 / -1;
    grid-auto-flow: column;
    justify-content: start;
    gap: 8px !important;
  }
}
</style>
