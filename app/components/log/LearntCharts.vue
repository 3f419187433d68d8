<script setup lang="ts">
import type { LearntWithEvidence } from '~~/shared/household'

/** How near the plans came, and what each pot said of the heat under it, over the months. */
const { learnt, rows } = defineProps<{ learnt: LearntWithEvidence; rows: LearntRow[] }>()
const { t } = useI18nText()
const words = useLearntWords()

const BAND: [number, number] = [-15, 15]
/** What a pot says of a flame less surely than this, as a logarithm, is no mark in the picture. */
const TELLS_HEAT = 0.35
const TONES = ['heat', 'water', 'steam', 'food'] as const
/** More than this, in %, would press all others together. */
const MOST_SHOWN = 200
const missed = computed(() => learnt.misses.map(({ at, miss }) => ({ at, percent: 100 * (Math.exp(miss) - 1) })))
const misses = computed(() => [
  {
    name: t('learnt.chart.miss'),
    tone: 'ink' as const,
    kind: 'dots' as const,
    points: missed.value.map(({ at, percent }): [number, number] => [at, Math.min(MOST_SHOWN, percent)]),
  },
])
const heats = computed(() =>
  rows
    .filter(({ figure, said, evidence }) => figure.kind === 'flame-heat' && said !== null && evidence.length > 2)
    .sort((a, b) => b.evidence.length - a.evidence.length)
    .slice(0, TONES.length)
    .map((row, i) => ({
      name: words.name(row.figure),
      tone: TONES[i]!,
      kind: 'dots' as const,
      points: row.evidence
        .filter(({ sd }) => sd < TELLS_HEAT)
        .map(({ at, says }): [number, number] => [at, row.said! * Math.exp(says)]),
    })),
)
</script>

<template>
  <h2>{{ t('learnt.chart.title') }}</h2>
  <LineChart
    :series="misses"
    :label="t('learnt.chart.label')"
    x-name=""
    :y-name="t('learnt.chart.percent')"
    :height="250"
    :y-from="null"
    :band="BAND"
    dates
  />
  <p v-if="missed.some(({ percent }) => percent > MOST_SHOWN)" class="soft">{{ t('learnt.chart.atTop') }}</p>
  <template v-if="heats.length > 0">
    <h2>{{ t('learnt.chart.heat') }}</h2>
    <LineChart
      :series="heats"
      :label="t('learnt.chart.heatLabel')"
      x-name=""
      :y-name="t('learnt.chart.watts')"
      :height="300"
      :y-from="null"
      dates
    />
  </template>
</template>

<style scoped>
h2 {
  margin: 0 0 6px;
  font-size: 16px;
}
</style>
