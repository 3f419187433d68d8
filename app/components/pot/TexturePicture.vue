<script setup lang="ts">
import type { Texture } from '~~/core/names'

/** How a spoonful looks with each texture: grain by how it clings, pulses by how much of their shape is left. */
const { texture, family } = defineProps<{ texture: Texture; family: 'grain' | 'pulse' | 'other' }>()

const GRAINS: Partial<Record<Texture, { rx: number; ry: number; at: [number, number, number][] }>> = {
  separate: {
    rx: 5,
    ry: 1.8,
    at: [
      [9, 7, 20],
      [24, 5, -25],
      [39, 8, 15],
      [15, 16, -15],
      [31, 15, 30],
      [44, 17, -10],
    ],
  },
  soft: {
    rx: 5.4,
    ry: 2.6,
    at: [
      [10, 9, 15],
      [20, 6, -20],
      [31, 8, 10],
      [41, 10, -15],
      [15, 16, -8],
      [26, 15, 22],
      [37, 16, 5],
    ],
  },
  sticky: {
    rx: 5.2,
    ry: 3.1,
    at: [
      [18, 8, 10],
      [26, 6, -18],
      [33, 9, 20],
      [16, 14, -12],
      [24, 13, 12],
      [32, 15, -10],
      [39, 13, 5],
    ],
  },
}
const grains = computed(() => GRAINS[texture])
const BEANS: [number, number][] = [
  [12, 12],
  [26, 9],
  [40, 12],
]
</script>

<template>
  <svg viewBox="0 0 52 22" width="52" height="22" aria-hidden="true" class="picture">
    <template v-if="family === 'grain'">
      <g v-if="grains">
        <ellipse
          v-for="([x, y, turn], i) in grains.at"
          :key="i"
          :cx="x"
          :cy="y"
          :rx="grains.rx"
          :ry="grains.ry"
          :transform="`rotate(${turn} ${x} ${y})`"
        />
      </g>
      <g v-else>
        <path class="mass" d="M4 19 q6 -9 13 -7 t12 -1 t12 1 q5 0 7 7 z" />
        <ellipse v-if="texture === 'porridge-thick'" cx="19" cy="15" rx="3.5" ry="1.6" />
        <ellipse v-if="texture === 'porridge-thick'" cx="32" cy="16" rx="3.5" ry="1.6" />
        <path v-else class="wave" d="M4 9 q5 -4 10 0 t10 0 t10 0 t10 0" />
      </g>
    </template>
    <template v-else>
      <path v-if="texture === 'mashed'" class="mass" d="M4 20 q3 -10 11 -8 q5 -6 11 -1 q9 -5 12 2 q7 0 9 7 z" />
      <g v-else>
        <path v-if="texture === 'soft'" class="mass" d="M3 20 q4 -7 12 -5 t14 -1 t13 2 q5 0 7 4 z" />
        <g v-for="([x, y], i) in BEANS" :key="i">
          <path
            :d="`M${x - 6} ${y} q0 -6 6 -6 t6 6 q0 5 -3 5 q-1.5 0 -3 -1.5 q-1.5 1.5 -3 1.5 q-3 0 -3 -5z`"
            :class="{ plump: texture !== 'firm' }"
          />
          <path v-if="texture === 'soft'" class="crack" :d="`M${x - 1} ${y - 5.5} l2 3 l-2 3`" />
        </g>
      </g>
    </template>
  </svg>
</template>

<style scoped>
.picture {
  display: block;
  fill: none;
  stroke: currentColor;
  stroke-width: 1.3;
}
.plump,
.mass {
  fill: currentColor;
  fill-opacity: 0.22;
}
.mass {
  stroke: none;
  fill-opacity: 0.38;
}
.crack,
.wave {
  stroke-width: 1.1;
}
</style>
