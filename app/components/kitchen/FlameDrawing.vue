<script setup lang="ts">
import { FLAMES } from '~~/core/names'
import type { Burner } from '~~/core/appliance/burner'

/** The flames of a burner, each as tall as its heat. */
const { burner } = defineProps<{ burner: Burner }>()
const { number } = useI18nText()
const STEP = 44
const GROUND = 66
const W_PER_PX = 24
const flames = computed(() =>
  FLAMES.map((flame, i) => {
    const tall = Math.max(8, Math.min(60, burner[flame] / W_PER_PX))
    return { flame, x: STEP / 2 + i * STEP, tall, wide: 3 + tall * 0.16, watts: number(burner[flame]) }
  }),
)
</script>

<template>
  <svg :viewBox="`0 0 ${STEP * 4} 90`" :width="STEP * 4" height="90">
    <path
      v-for="{ flame, x, tall, wide } in flames"
      :key="flame"
      :d="`M${x} ${GROUND - tall} c${wide} ${tall * 0.4} ${wide} ${tall * 0.8} 0 ${tall} c${-wide} ${-tall * 0.2} ${-wide} ${-tall * 0.6} 0 ${-tall}z`"
      :class="flame"
    />
    <line x1="4" :x2="STEP * 4 - 4" :y1="GROUND + 2" :y2="GROUND + 2" class="grate" />
    <text v-for="{ flame, x, watts } in flames" :key="flame" :x="x" y="85" text-anchor="middle" class="figure">
      {{ watts }}
    </text>
  </svg>
</template>

<style scoped>
path {
  fill: var(--heat-low);
  stroke: var(--heat);
}
.high {
  fill: var(--heat-high);
}
.grate {
  stroke: var(--ink);
  stroke-width: 4;
}
text {
  fill: var(--ink);
  font-size: 17px;
}
</style>
