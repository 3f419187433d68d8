<script setup lang="ts">
/** A tin or a cup in section, to the scale of the others on its shelf. */
const { diameterMm, heightMm } = defineProps<{ diameterMm: number; heightMm: number }>()
const PX_PER_MM = 0.62
const EDGE_MM = 3
const width = computed(() => Math.max(20, diameterMm) + 2 * EDGE_MM)
const height = computed(() => Math.max(15, heightMm) + EDGE_MM)
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" :width="width * PX_PER_MM" :height="height * PX_PER_MM">
    <path
      :d="`M${EDGE_MM} 0 V${height - EDGE_MM} H${width - EDGE_MM} V0`"
      fill="none"
      stroke="var(--ink)"
      stroke-width="4"
    />
  </svg>
</template>
