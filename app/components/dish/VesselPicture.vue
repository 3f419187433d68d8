<script setup lang="ts">
import type { StageKind, Vessel } from '~~/core/dish/names'
import { STAGES } from '~~/core/dish/stages'

/** The vessel of a stage in section, with what is done in it: water, food, flame, lid, steam. */
const { kind, vessel } = defineProps<{ kind: StageKind; vessel: Vessel }>()
const isHot = computed(() => STAGES[kind].flame !== undefined || STAGES[kind].cooks)
const isWet = computed(() => STAGES[kind].isWet)
const isClosed = computed(() => STAGES[kind].isCovered)
</script>

<template>
  <svg viewBox="0 0 64 48" aria-hidden="true">
    <template v-if="vessel === 'bowl'">
      <path d="M8 13h48c0 16-10 24-24 24S8 29 8 13z" class="fill" :class="isWet ? 'water' : 'food'" />
      <path d="M5 12h54M8 13c0 16 10 24 24 24s24-8 24-24" class="line" />
      <path v-if="isWet" d="M13 20h38" class="line thin" stroke="var(--water)" />
    </template>
    <template v-else-if="vessel === 'board'">
      <path d="M6 32h52v5H6z" class="fill food" />
      <path d="M6 32h52v5H6zM18 26l24-16 4 6-20 12z" class="line" />
    </template>
    <template v-else-if="vessel === 'box'">
      <path d="M10 20h44v18H10z" class="fill food" />
      <path d="M10 20h44v18H10zM8 14h48v6H8z" class="line" />
    </template>
    <template v-else-if="vessel === 'pan'">
      <path d="M8 20h36v8H8z" class="fill food" />
      <path d="M8 14v14h36V14M44 20h16" class="line" />
    </template>
    <template v-else>
      <path d="M10 18h44v20H10z" class="fill" :class="isWet ? 'water' : 'food'" />
      <path d="M10 14v24h44V14" class="line" />
      <template v-if="isClosed">
        <path d="M8 14c6-5 42-5 48 0z" class="line lid" />
        <path v-if="kind === 'pot'" d="M29 3h6v7h-6z" fill="var(--steam)" />
        <circle v-else cx="32" cy="7" r="3" fill="var(--ink)" />
      </template>
      <path
        v-else-if="kind === 'simmer'"
        d="M22 10c-3-3 3-4 0-8M32 10c-3-3 3-4 0-8M42 10c-3-3 3-4 0-8"
        class="line thin"
        stroke="var(--steam)"
      />
    </template>
    <path v-if="isHot" d="M18 46l3-6 3 6zM29 46l3-6 3 6zM40 46l3-6 3 6z" fill="var(--heat-low)" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 64px;
  height: 48px;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.line.thin {
  stroke-width: 2;
}
.lid {
  fill: var(--ground);
}
.water {
  fill: var(--water-fill);
}
.food {
  fill: var(--food-fill);
}
</style>
