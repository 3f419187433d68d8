<script setup lang="ts">
import { holdsPressure, type Cooker } from '~~/core/appliance/appliance'

/** The chosen pot in section, with its width and the lines to which it may be filled. */
const { cooker } = defineProps<{ cooker: Pick<Cooker, 'appliance' | 'body'> }>()
const { t, number, length } = useI18nText()
const W = 300
const MOST_H = 130
const scale = computed(() => Math.min(180 / cooker.body.innerDiameterMm, MOST_H / cooker.body.innerHeightMm))
const width = computed(() => cooker.body.innerDiameterMm * scale.value)
const height = computed(() => cooker.body.innerHeightMm * scale.value)
const left = computed(() => (W - width.value) / 2 - 30)
const TOP = 34
const litres = (value: number) => number(value, value % 1 ? 1 : 0)
const lines = computed(() => {
  const { capacityL } = cooker.body
  const at = (share: number, text: string) => ({ y: TOP + height.value * (1 - share), text, share })
  return holdsPressure(cooker.appliance)
    ? [
        at(2 / 3, t('kitchen.lines.most', { n: litres((capacityL * 2) / 3) })),
        at(1 / 2, t('kitchen.lines.beans', { n: litres(capacityL / 2) })),
      ]
    : [at(0.9, t('kitchen.lines.most', { n: litres(capacityL * 0.9) }))]
})
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${TOP + height + 10}`" width="100%" aria-hidden="true">
    <line :x1="left" :x2="left + width" y1="22" y2="22" class="measure" />
    <text :x="left + width / 2" y="16" text-anchor="middle">
      {{ t('kitchen.lines.inside', { size: length(cooker.body.innerDiameterMm) }) }}
    </text>
    <rect :x="left" :y="TOP" :width="width" :height="height" class="inside" />
    <path :d="`M${left} ${TOP} v${height} h${width} v${-height}`" class="wall" />
    <g v-for="{ y, text, share } in lines" :key="share">
      <line :x1="left + 2" :x2="left + width - 2" :y1="y" :y2="y" class="line" />
      <text :x="left + width + 8" :y="y + 4" class="danger">{{ text }}</text>
    </g>
  </svg>
</template>

<style scoped>
.inside {
  fill: var(--ground-raised);
}
.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
}
.measure {
  stroke: var(--ink-soft);
}
.line {
  stroke: var(--danger);
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
text {
  fill: var(--ink);
  font-size: 13px;
}
.danger {
  fill: var(--danger);
}
</style>
