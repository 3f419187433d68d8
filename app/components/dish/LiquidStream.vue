<script setup lang="ts">
import type { LiquidRow } from '~~/core/dish/ledger'

/** The liquid of one stage as a piece of a stream: it widens where something is poured, and narrows where it goes. */
const { row, most, name } = defineProps<{
  row: LiquidRow
  /** The most liquid that any stage of the dish holds, by which all are drawn. */
  most: number
  name: string
}>()
const { t, weight } = useI18nText()

/** Half the widest stream, of 100. */
const WIDEST = 46
/** A stream that is there is seen. */
const LEAST = 1.5
const half = (g: number) => (g <= 0.5 ? 0 : Math.max(LEAST, (g / Math.max(1, most)) * WIDEST))
const path = computed(() => {
  const { beforeG, pouredG, givenG, backG, afterG } = row
  const [from, full, to] = [half(beforeG), half(beforeG + pouredG + givenG + backG), half(afterG)]
  const side = (x: (half: number) => number) =>
    `C ${x(from)} 14, ${x(full)} 14, ${x(full)} 34 C ${x(full)} 66, ${x(to)} 66, ${x(to)} 100`
  const left = (w: number) => 50 - w
  const right = (w: number) => 50 + w
  // Down on the left, up on the right.
  return `M ${left(from)} 0 ${side(left)} L ${right(to)} 100 C ${right(to)} 66, ${right(full)} 66, ${right(full)} 34 C ${right(full)} 14, ${right(from)} 14, ${right(from)} 0 Z`
})
const isThere = computed(() => half(row.beforeG + row.pouredG + row.givenG + row.backG) > 0)
const PARTS = ['poured', 'given', 'back', 'drunk', 'steam', 'boiled', 'kept', 'thrown'] as const
const parts = computed(() =>
  PARTS.flatMap((part) => {
    const g = row[`${part}G`]
    return g >= 1
      ? [{ part, text: t(`dishes.flow.${part}`, { g: weight(g) }), comes: ['poured', 'given', 'back'].includes(part) }]
      : []
  }),
)
</script>

<template>
  <div class="stream">
    <svg
      viewBox="0 0 100 100"
      preserveAspectRatio="none"
      role="img"
      :aria-label="t('dishes.streamText', { stage: name, before: weight(row.beforeG), after: weight(row.afterG) })"
    >
      <path v-if="isThere" :d="path" />
    </svg>
    <ul>
      <li v-for="{ part, text, comes } in parts" :key="part" :class="comes ? 'tone-water' : 'soft'">{{ text }}</li>
    </ul>
  </div>
</template>

<style scoped>
.stream {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr);
  gap: 10px;
  height: 100%;
}
svg {
  width: 100%;
  height: 100%;
  min-height: 60px;
}
path {
  fill: var(--water-fill);
}
ul {
  align-self: center;
  margin: 0;
  padding: 6px 0;
  list-style: none;
  font-size: 12.5px;
  white-space: nowrap;
}
</style>
