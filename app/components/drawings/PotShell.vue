<script setup lang="ts">
import { heatsItself } from '~~/core/appliance/appliance'
import { holdsPressure, type Appliance } from '~~/core/appliance/appliance'

/** A pot in section around what is in it: walls, lid, weight, and what heats it. In the drawing's millimetres. */
const { appliance, left, top, width, height, heat, handleMm } = defineProps<{
  appliance: Appliance
  /** Where its inside begins, and how large that is. */
  left: number
  top: number
  width: number
  height: number
  /** How strong the flame is, 0 (off) to 1. */
  heat: number
  /** Length of the handle; 0 for none. */
  handleMm: number
}>()
const WALL = 5
const FLAMES = 5
const electric = computed(() => heatsItself(appliance))
const right = computed(() => left + width)
const floor = computed(() => top + height)
const lidHeight = computed(() => width * 0.075)
const flames = computed(() =>
  Array.from({ length: FLAMES }, (_, i) => left + width * 0.22 + (width * 0.56 * i) / (FLAMES - 1)),
)
</script>

<template>
  <g>
    <rect
      v-if="electric"
      :x="left - WALL - 9"
      :y="top + 4"
      :width="width + 2 * WALL + 18"
      :height="height + WALL + 22"
      rx="8"
      class="housing"
    />
    <slot />
    <g class="shell">
      <path
        :d="`M${left - WALL / 2} ${top} V${floor - 6} q0 ${6 + WALL / 2} ${6 + WALL / 2} ${6 + WALL / 2} H${right - 6} q${6 + WALL / 2} 0 ${6 + WALL / 2} ${-6 - WALL / 2} V${top}`"
        class="wall"
      />
      <path :d="`M${left - WALL - 3} ${top} H${right + WALL + 3}`" class="rim" />
      <path
        :d="`M${left + 4} ${top - 2} Q${left + width / 2} ${top - 2 - 2 * lidHeight} ${right - 4} ${top - 2}`"
        class="lid"
      />
      <template v-if="holdsPressure(appliance)">
        <rect
          :x="left + width / 2 - 6"
          :y="top - 6 - lidHeight - width * 0.055"
          width="12"
          :height="width * 0.062"
          rx="1.5"
          class="weight"
        />
        <rect :x="left + width / 2 - 2" :y="top - 5 - lidHeight" width="4" height="4" class="stem" />
      </template>
      <rect
        v-if="!electric && handleMm > 0"
        :x="right + WALL + 2"
        :y="top + 12"
        :width="handleMm"
        height="10"
        rx="2"
        class="handle"
      />
      <line
        v-if="electric"
        :x1="left + width * 0.2"
        :x2="left + width * 0.8"
        :y1="floor + 13"
        :y2="floor + 13"
        class="element"
      />
      <template v-else-if="heat > 0">
        <path
          v-for="x in flames"
          :key="x"
          :d="`M${x} ${floor + 9} c${4 + 2 * heat} ${6 + 4 * heat} ${4 + 2 * heat} ${9 + 9 * heat} 0 ${12 + 12 * heat} c${-4 - 2 * heat} ${-3 - 3 * heat} ${-4 - 2 * heat} ${-6 - 8 * heat} 0 ${-12 - 12 * heat}z`"
          class="flame"
        />
      </template>
    </g>
  </g>
</template>

<style scoped>
/* What is drawn over the food must not be in the way of whoever drags it. */
.shell {
  pointer-events: none;
}
.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 5;
}
.rim {
  stroke: var(--ink);
  stroke-width: 4.5;
}
.lid {
  fill: color-mix(in srgb, var(--line) 60%, transparent);
  stroke: var(--ink);
  stroke-width: 3;
}
.weight {
  fill: var(--steam);
}
.stem,
.handle {
  fill: var(--ink);
}
.housing {
  fill: color-mix(in srgb, var(--line) 45%, transparent);
  stroke: var(--line);
}
.element {
  stroke: var(--heat);
  stroke-width: 4;
  stroke-linecap: round;
}
.flame {
  fill: var(--heat-low);
  stroke: var(--heat);
  stroke-width: 1;
}
</style>
