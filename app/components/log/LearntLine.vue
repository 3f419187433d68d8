<script setup lang="ts">
import type { LearntWithEvidence } from '~~/shared/household'

/** One figure that was learnt: what was assumed, what it is now, and each pot that spoke of it. */
const { row, runs, busy } = defineProps<{
  row: LearntRow
  runs: LearntWithEvidence['runs']
  busy: boolean
}>()
const emit = defineEmits<{ forget: [] }>()
const { t, number, day } = useI18nText()
const words = useLearntWords()

/** Logarithms that the line reaches to either side. */
const REACH = 0.75
const WIDTH = 400
const x = (log: number) => WIDTH * (0.5 + Math.max(-REACH, Math.min(REACH, log)) / (2 * REACH))
const value = (log: number) => words.value(row, log)
const name = computed(() => words.name(row.figure))
const few = computed(() => row.evidence.length < 3)
const sure = computed(() => t('learnt.sure', { low: value(row.now.low), high: value(row.now.high) }))
const assumed = computed(() =>
  t('learnt.assumed', { value: value(row.prior.mid), low: value(row.prior.low), high: value(row.prior.high) }),
)
const joined = computed(() => `${assumed.value}; ${sure.value}`)
const spoke = computed(
  () =>
    `${t('learnt.evidence', { n: row.evidence.length }, row.evidence.length)}; ${few.value ? t('learnt.hardly') : words.meaning(row)}`,
)
const newest = computed(() => [...row.evidence].reverse())
</script>

<template>
  <details class="line">
    <summary>
      <span class="what">
        <strong>{{ name }}</strong>
        <span class="soft">{{ spoke }}</span>
      </span>
      <svg :viewBox="`0 0 ${WIDTH} 34`" role="img" :aria-label="joined">
        <line x1="0" :x2="WIDTH" y1="24" y2="24" class="axis" />
        <line :x1="x(0)" :x2="x(0)" y1="14" y2="34" class="axis" />
        <rect :x="x(row.prior.low)" :width="x(row.prior.high) - x(row.prior.low)" y="20" height="8" class="prior" />
        <rect
          :x="x(row.now.low)"
          :width="Math.max(4, x(row.now.high) - x(row.now.low))"
          y="16"
          height="16"
          class="now"
        />
        <circle v-for="(one, i) in row.evidence" :key="i" :cx="x(one.says)" cy="7" r="3.6" class="dot" />
      </svg>
      <span class="figure value tone-food">{{ value(row.now.mid) }}</span>
    </summary>
    <div class="more">
      <p>{{ joined }}</p>
      <h2>{{ t('learnt.each') }}</h2>
      <ul>
        <li v-for="(one, i) in newest" :key="i">
          <NuxtLink :to="`/log/${one.runId}`">{{ runs[one.runId]?.name }}</NuxtLink>
          <span class="soft">{{ day(one.at) }}</span>
          <span>{{ t('learnt.alone', { value: value(one.says) }) }}</span>
          <span class="soft">
            {{
              Math.abs(one.moved) < 0.005
                ? t('learnt.notMoved')
                : t('learnt.moved', { percent: `${one.moved > 0 ? '+' : '−'}${number(100 * Math.abs(one.moved))}` })
            }}
          </span>
        </li>
      </ul>
      <v-btn :disabled="busy" @click="emit('forget')">
        {{ t('learnt.forget') }}
      </v-btn>
    </div>
  </details>
</template>

<style scoped>
.line {
  border-top: 1px solid var(--line);
}
summary {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1.5fr) 104px;
  gap: 18px;
  align-items: center;
  padding: 10px 0;
  list-style: none;
  cursor: pointer;
}
summary::-webkit-details-marker {
  display: none;
}
summary:focus-visible {
  outline: 3px solid var(--water);
}
.what {
  display: grid;
  gap: 2px;
}
.what .soft {
  font-size: 14px;
}
svg {
  width: 100%;
  height: 34px;
}
.axis {
  stroke: var(--line);
  stroke-width: 1.5;
}
.prior {
  fill: var(--line);
}
.now {
  fill: var(--food);
}
.dot {
  fill: var(--ink-soft);
}
.value {
  font-size: 27px;
  text-align: end;
  white-space: nowrap;
}
.more {
  padding: 0 0 16px;
}
.more p,
.more h2 {
  margin: 0 0 8px;
}
.more h2 {
  font-size: 15px;
}
ul {
  max-height: 300px;
  margin: 0 0 12px;
  padding: 0;
  overflow: auto;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) 110px minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
  font-size: 14.5px;
}
li a {
  color: inherit;
}
@media (max-width: 799px) {
  summary {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 6px 12px;
  }
  svg {
    grid-row: 2;
    grid-column: 1 / -1;
  }
  li {
    grid-template-columns: 1fr 1fr;
    gap: 2px 12px;
  }
}
</style>
