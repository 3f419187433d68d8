<script setup lang="ts">
import { holdsPressure } from '~~/core/pot/appliance'
import type { Cooker } from '~~/core/pot/cookers'
import type { Fill } from '~~/core/program/answer'

/** The cutaway: the pot in section, to scale, with food before and after swelling, water, and the limit. */
const {
  cooker,
  fill,
  heat,
  name,
  labelled = true,
  soaked = false,
} = defineProps<{
  cooker: Cooker
  fill: Fill
  /** How strong the flame is, 0 (off) to 1. */
  heat: number
  name: string
  /** Without labels for small places. */
  labelled?: boolean
  soaked?: boolean
}>()
const { t, number } = useI18nText()
const hatch = useId()
const grains = useId()

// The drawing is in millimetres; the view adds room for lid, handle and labels.
const WALL = 5
const LABEL_ROOM = 118
const SCALE_ROOM = 34
const LABEL_GAP = 16

const inner = computed(() => ({ width: cooker.body.innerDiameterMm, height: cooker.body.innerHeightMm }))
const electric = computed(() => !['whistling', 'regulator', 'open'].includes(cooker.appliance.kind))
const underPressure = computed(() => holdsPressure(cooker.appliance))
const lidHeight = computed(() => inner.value.width * 0.075)
const top = computed(() => lidHeight.value + inner.value.width * 0.075 + 6)
const floor = computed(() => top.value + inner.value.height)
const left = computed(() => (labelled ? SCALE_ROOM : 8) + WALL)
const right = computed(() => left.value + inner.value.width)
const below = 34
const view = computed(() => ({
  width: right.value + WALL + (labelled ? LABEL_ROOM : electric.value ? 10 : 40),
  height: floor.value + WALL + below,
}))

/** Height in mm of the drawing at which so many litres stand. */
const yOf = (litres: number) => floor.value - Math.min(litres / cooker.body.capacityL, 1.02) * inner.value.height

const labels = computed(() => {
  const wanted = [
    { id: 'limit', y: yOf(fill.limitL), text: t('cutaway.limit', { n: number(fill.limitL, 1) }), tone: 'danger' },
    { id: 'after', y: yOf(fill.afterL), text: t('cutaway.after', { n: number(fill.afterL, 1) }), tone: 'food' },
    { id: 'water', y: yOf(fill.liquidL), text: t('cutaway.water', { n: number(fill.liquidL, 1) }), tone: 'water' },
    {
      id: 'food',
      y: yOf(fill.foodL),
      text: t(soaked ? 'cutaway.food' : 'cutaway.foodDry', { n: number(fill.foodL, 1) }),
      tone: 'soft',
    },
  ].sort((a, b) => a.y - b.y)
  // Labels keep to their lines as far as they can without touching; a thin lead ties each to its line.
  const placed = wanted.map((label) => ({ ...label, at: label.y }))
  for (let i = 1; i < placed.length; i++) placed[i]!.at = Math.max(placed[i]!.at, placed[i - 1]!.at + LABEL_GAP)
  const overshoot = placed.at(-1)!.at - (floor.value - 2)
  if (overshoot > 0) {
    placed.at(-1)!.at -= overshoot
    for (let i = placed.length - 2; i >= 0; i--) placed[i]!.at = Math.min(placed[i]!.at, placed[i + 1]!.at - LABEL_GAP)
  }
  return placed
})
const ticks = computed(() => {
  const step = cooker.body.capacityL > 6 ? 2 : cooker.body.capacityL < 2 ? 0.5 : 1
  const count = Math.floor(cooker.body.capacityL / step + 1e-9)
  return Array.from({ length: count }, (_, i) => (i + 1) * step)
})
const flames = computed(() => {
  const count = 5
  const span = inner.value.width * 0.56
  return Array.from({ length: count }, (_, i) => left.value + (inner.value.width - span) / 2 + (span * i) / (count - 1))
})
const text = computed(() =>
  t('cutaway.text', {
    cooker: name,
    capacity: number(cooker.body.capacityL, cooker.body.capacityL % 1 ? 1 : 0),
    food: number(fill.foodL, 1),
    water: number(fill.liquidL, 1),
    after: number(fill.afterL, 1),
    limit: number(fill.limitL, 1),
  }),
)
</script>

<template>
  <svg :viewBox="`0 0 ${view.width} ${view.height}`" role="img" :aria-label="text" class="cutaway">
    <defs>
      <pattern :id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="7" stroke="var(--food)" stroke-width="1.1" opacity="0.75" />
      </pattern>
      <pattern :id="grains" width="12" height="8" patternUnits="userSpaceOnUse">
        <ellipse cx="3.4" cy="2.2" rx="2.9" ry="1.6" class="grain" />
        <ellipse cx="9.4" cy="6.2" rx="2.9" ry="1.6" class="grain" />
      </pattern>
    </defs>

    <g v-if="electric">
      <rect
        :x="left - WALL - 9"
        :y="top + 4"
        :width="inner.width + 2 * WALL + 18"
        :height="inner.height + WALL + 22"
        rx="8"
        class="housing"
      />
    </g>

    <rect
      :x="left"
      :y="yOf(fill.liquidL)"
      :width="inner.width"
      :height="floor - yOf(fill.liquidL)"
      class="water moves"
    />
    <rect :x="left" :y="yOf(fill.foodL)" :width="inner.width" :height="floor - yOf(fill.foodL)" class="food moves" />
    <rect
      :x="left"
      :y="yOf(fill.foodL)"
      :width="inner.width"
      :height="floor - yOf(fill.foodL)"
      :fill="`url(#${grains})`"
    />
    <rect
      v-if="fill.afterL > fill.foodL"
      :x="left"
      :y="yOf(fill.afterL)"
      :width="inner.width"
      :height="yOf(fill.foodL) - yOf(fill.afterL)"
      :fill="`url(#${hatch})`"
    />
    <line :x1="left" :x2="right" :y1="yOf(fill.liquidL)" :y2="yOf(fill.liquidL)" class="water-line" />
    <line :x1="left" :x2="right" :y1="yOf(fill.limitL)" :y2="yOf(fill.limitL)" class="limit-line" />

    <path
      :d="`M${left - WALL / 2} ${top} V${floor - 6} q0 ${6 + WALL / 2} ${6 + WALL / 2} ${6 + WALL / 2} H${right - 6} q${6 + WALL / 2} 0 ${6 + WALL / 2} ${-6 - WALL / 2} V${top}`"
      class="wall"
    />
    <path :d="`M${left - WALL - 3} ${top} H${right + WALL + 3}`" class="rim" />
    <path
      :d="`M${left + 4} ${top - 2} Q${left + inner.width / 2} ${top - 2 - 2 * lidHeight} ${right - 4} ${top - 2}`"
      class="lid"
    />
    <rect
      v-if="underPressure"
      :x="left + inner.width / 2 - 6"
      :y="top - 6 - lidHeight - inner.width * 0.055"
      width="12"
      :height="inner.width * 0.062"
      rx="1.5"
      class="weight"
    />
    <rect
      v-if="underPressure"
      :x="left + inner.width / 2 - 2"
      :y="top - 5 - lidHeight"
      width="4"
      height="4"
      class="stem"
    />
    <rect
      v-if="!electric"
      :x="right + WALL + 2"
      :y="top + 12"
      :width="labelled ? 44 : 30"
      height="10"
      rx="2"
      class="handle"
    />

    <g v-if="electric">
      <line
        :x1="left + inner.width * 0.2"
        :x2="left + inner.width * 0.8"
        :y1="floor + 13"
        :y2="floor + 13"
        class="element"
      />
    </g>
    <g v-else-if="heat > 0">
      <path
        v-for="x in flames"
        :key="x"
        :d="`M${x} ${floor + 9} c${4 + 2 * heat} ${6 + 4 * heat} ${4 + 2 * heat} ${9 + 9 * heat} 0 ${12 + 12 * heat} c${-4 - 2 * heat} ${-3 - 3 * heat} ${-4 - 2 * heat} ${-6 - 8 * heat} 0 ${-12 - 12 * heat}z`"
        class="flame"
      />
    </g>

    <g v-if="labelled" class="texts">
      <g v-for="tick in ticks" :key="tick">
        <line :x1="left - WALL - 14" :x2="left - WALL - 5" :y1="yOf(tick)" :y2="yOf(tick)" class="tick" />
        <text :x="left - WALL - 18" :y="yOf(tick) + 4" text-anchor="end" class="figure-text">
          {{ number(tick, tick % 1 ? 1 : 0) }}
        </text>
      </g>
      <g v-for="label in labels" :key="label.id">
        <path :d="`M${right + WALL + 1} ${label.y} L${right + WALL + 9} ${label.at}`" class="lead" />
        <text
          :x="right + WALL + 12"
          :y="label.at + 4"
          :class="['label', `tone-${label.tone}`, { soft: label.tone === 'soft' }]"
        >
          {{ label.text }}
        </text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.cutaway {
  display: block;
  width: 100%;
  height: 100%;
}
.water {
  fill: var(--water-fill);
}
.food {
  fill: var(--food-fill);
}
.grain {
  fill: var(--ground-raised);
  stroke: var(--food);
  stroke-width: 0.5;
  opacity: 0.85;
}
.water-line {
  stroke: var(--water);
  stroke-width: 2;
}
.limit-line {
  stroke: var(--danger);
  stroke-width: 1.4;
  stroke-dasharray: 5 4;
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
.tick,
.lead {
  stroke: var(--ink-soft);
  stroke-width: 1;
  fill: none;
  opacity: 0.7;
}
.texts text {
  font-size: 12.5px;
  fill: currentColor;
}
.texts .figure-text {
  font-family: var(--figure-family);
  font-size: 13px;
  fill: var(--ink-soft);
}
.label {
  font-weight: 650;
}
.label.soft {
  font-weight: 450;
}
.moves {
  transition:
    y 0.25s,
    height 0.25s;
}
</style>
