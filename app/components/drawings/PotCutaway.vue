<script setup lang="ts">
import { heatsItself } from '~~/core/appliance/appliance'
import type { Cooker } from '~~/core/appliance/appliance'
import type { ClosingFill, PlanAnswer } from '~~/core/program/answer'
import { liquidForLineMl } from '~~/core/water/volume'
import { vDrag, type OnDrag } from '~/composables/common/drag'

/** The cutaway: the pot in section, to scale, with food before and after swelling, water, and the limit. */
const {
  cooker,
  fill,
  heat,
  name,
  labelled = true,
  soaked = false,
  pour = null,
  foods = [],
} = defineProps<{
  cooker: Cooker
  fill: ClosingFill & PlanAnswer['fill']
  /** How strong the flame is, 0 (off) to 1. */
  heat: number
  name: string
  /** Without labels for small places. */
  labelled?: boolean
  soaked?: boolean
  /** Where the water line can be dragged: what is poured in this drawing, and what was last asked for. */
  pour?: { pourG: number; askedG: number } | null
  /** Names of the request's foods: several in one pot are drawn apart. */
  foods?: readonly string[]
}>()
const emit = defineEmits<{ pour: [pourG: number | null] }>()
const { t, number, weight } = useI18nText()
const hatch = useId()
const grains = useId()

// The drawing is in millimetres; the view adds room for lid, handle and labels.
const WALL = 5
const LABEL_ROOM = 118
const SCALE_ROOM = 34
const LABEL_GAP = 16

const inner = computed(() => ({ width: cooker.body.innerDiameterMm, height: cooker.body.innerHeightMm }))
const electric = computed(() => heatsItself(cooker.appliance))
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
/** Several foods: each a layer of its own, from below, with its name. */
const layers = computed(() => {
  const apart = fill.layers ?? []
  if (apart.length < 2 || foods.length < 2) return []
  let from = 0
  return apart.map(({ content, heapL }, i) => {
    const [low, high] = [from, from + heapL]
    from = high
    return { y: yOf(high), height: yOf(low) - yOf(high), name: foods[content] ?? '', odd: i % 2 === 1 }
  })
})
const ticks = computed(() => {
  const step = cooker.body.capacityL > 6 ? 2 : cooker.body.capacityL < 2 ? 0.5 : 1
  const count = Math.floor(cooker.body.capacityL / step + 1e-9)
  return Array.from({ length: count }, (_, i) => (i + 1) * step)
})
// Dragging the water line: the line's height tells how much would have to be poured.
const POUR_STEP_G = 10
const svg = useTemplateRef<SVGSVGElement>('svg')
const dragging = ref(false)
function pourAt(litres: number): number {
  const liquidMl = (line: number) => liquidForLineMl(line * 1000, fill.foodL * 1000, fill.solidL * 1000)
  const change = liquidMl(litres) - liquidMl(fill.liquidL)
  return clampPour(pour!.pourG + change)
}
const clampPour = (g: number) => Math.max(0, Math.min(10_000, Math.round(g / POUR_STEP_G) * POUR_STEP_G))
function litresAt(clientY: number): number {
  const box = svg.value!.getBoundingClientRect()
  const scale = Math.min(box.width / view.value.width, box.height / view.value.height)
  const y = (clientY - box.top - (box.height - view.value.height * scale) / 2) / scale
  return Math.max(0, Math.min(1, (floor.value - y) / inner.value.height)) * cooker.body.capacityL
}
const drag: OnDrag = ({ xy: [, clientY], last, canceled }) => {
  dragging.value = !last
  if (!canceled) emit('pour', pourAt(litresAt(clientY)))
}
function pressKey(event: KeyboardEvent) {
  const step = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[event.key]
  if (step !== undefined) emit('pour', clampPour(pour!.askedG + step * POUR_STEP_G))
  else if (event.key === 'Escape') emit('pour', null)
  else return
  event.preventDefault()
}

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
  <svg
    ref="svg"
    :viewBox="`0 0 ${view.width} ${view.height}`"
    :role="pour ? 'group' : 'img'"
    :aria-label="text"
    :class="['cutaway', { dragging }]"
  >
    <defs>
      <pattern :id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="7" stroke="var(--food)" stroke-width="1.1" opacity="0.75" />
      </pattern>
      <pattern :id="grains" width="12" height="8" patternUnits="userSpaceOnUse">
        <ellipse cx="3.4" cy="2.2" rx="2.9" ry="1.6" class="grain" />
        <ellipse cx="9.4" cy="6.2" rx="2.9" ry="1.6" class="grain" />
      </pattern>
    </defs>

    <PotShell
      :appliance="cooker.appliance"
      :left="left"
      :top="top"
      :width="inner.width"
      :height="inner.height"
      :heat="heat"
      :handle-mm="labelled ? 44 : 30"
    >
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
      <g v-for="layer in layers" :key="layer.name">
        <rect v-if="layer.odd" :x="left" :y="layer.y" :width="inner.width" :height="layer.height" class="odd" />
        <line :x1="left" :x2="right" :y1="layer.y" :y2="layer.y" class="between" />
      </g>
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
    </PotShell>
    <g
      v-if="pour"
      v-drag="drag"
      role="slider"
      tabindex="0"
      class="grip"
      :aria-label="t('cutaway.drag')"
      aria-orientation="vertical"
      :aria-valuenow="pour.pourG"
      aria-valuemin="0"
      aria-valuemax="10000"
      :aria-valuetext="weight(pour.pourG)"
      :transform="`translate(${left + inner.width / 2} ${yOf(fill.liquidL)})`"
      @keydown="pressKey"
    >
      <title>{{ t('cutaway.drag') }}</title>
      <rect :x="-inner.width / 2" y="-26" :width="inner.width" height="52" class="reach" />
      <rect x="-17" y="-8" width="34" height="16" rx="3" class="knob" />
      <path d="M-6 -1.5 l6 -4 l6 4 M-6 1.5 l6 4 l6 -4" class="arrows" />
    </g>

    <g v-if="labelled" class="texts">
      <text
        v-for="layer in layers"
        :key="layer.name"
        :x="left + 10"
        :y="layer.y + layer.height / 2 + 4"
        class="layer-name"
      >
        {{ layer.name }}
      </text>
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
.odd {
  fill: var(--food);
  opacity: 0.32;
}
.between {
  stroke: var(--food);
  stroke-width: 1.5;
}
.texts .layer-name {
  fill: var(--ink);
  font-weight: 650;
  paint-order: stroke;
  stroke: var(--food-fill);
  stroke-width: 4px;
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
.grip {
  cursor: ns-resize;
  touch-action: none;
}
.grip:focus-visible {
  outline: none;
}
.grip:focus-visible .knob {
  stroke: var(--ink);
  stroke-width: 3;
}
.reach {
  fill: transparent;
}
.knob {
  fill: var(--water);
}
.arrows {
  fill: none;
  stroke: var(--ground);
  stroke-width: 1.6;
}
.dragging .moves {
  transition: none;
}
.moves {
  transition:
    y 0.25s,
    height 0.25s;
}
</style>
