<script setup lang="ts">
import { MINUTE_MS } from '~~/core/measure/time'
import { useElementSize } from '@vueuse/core'
import type { Release } from '~~/core/appliance/step.schema'
import type { Simulation } from '~~/core/pot/simulation'
import { figureAt, pointAt } from '~~/core/pot/curve'
import { vDrag, type OnDrag } from '~/composables/common/drag'

/**
 * The strip: time along, heat as a band, pressure as a fill above it, whistles as notches. The same
 * in planning, in cooking (with a now-line and what has happened) and in the log.
 */
const {
  curve,
  release,
  startMs = null,
  nowMinute = null,
  happened = null,
  electric = false,
  height = 150,
  figure = null,
  foods = [],
  planned = null,
  legend = true,
} = defineProps<{
  curve: Simulation
  /** What was planned, drawn behind as an outline where the curve is what happens. */
  planned?: Simulation | null
  /** Says what filled and outlined drops are, where that is not said elsewhere. */
  legend?: boolean
  release: Release | null
  /** When it was or would be lit; labels show clock times then. */
  startMs?: number | null
  nowMinute?: number | null
  /** What has really happened, in minutes from lighting. */
  happened?: { whistles: number[]; heatOff: number | null; opened: number | null } | null
  electric?: boolean
  height?: number
  /** Where the end of the heat can be dragged: the figure of this curve, what was last asked for, and what it counts. */
  figure?: { value: number; asked: number; unit: 'whistles' | 'minutes' } | null
  /** Names of the foods whose boil-minutes the curve carries, to be read at any moment. */
  foods?: readonly string[]
}>()
const emit = defineEmits<{ figure: [figure: number | null] }>()
const { t, number, clock, duration, temp, pressure: gauge } = useI18nText()

const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const AXIS = 22
const BAND = 24
const NOTCHES = 46
const SIDE = 10

const endMinute = computed(() => curve.heatOffMinute + curve.releaseMinutes)
// While the end of the heat is dragged the scale stands still under the finger.
const heldSpan = ref<number | null>(null)
const spanMinutes = computed(
  () =>
    heldSpan.value ??
    Math.max(
      endMinute.value,
      planned ? planned.heatOffMinute + planned.releaseMinutes : 0,
      nowMinute ?? 0,
      happened?.opened ?? 0,
      happened?.heatOff ?? 0,
    ) *
      1.02 +
      1.5,
)
const x = (minute: number) => SIDE + (minute / spanMinutes.value) * Math.max(10, width.value - 2 * SIDE)
const bandTop = computed(() => height - AXIS - BAND)
const topPa = computed(() => Math.max(20_000, ...curve.trace.map(({ gaugePa }) => gaugePa)))
const yPa = (gaugePa: number) => bandTop.value - (gaugePa / topPa.value) * (bandTop.value - NOTCHES)

const pressure = computed(() => {
  const points = curve.trace.map(({ minute, gaugePa }) => `${x(minute).toFixed(1)},${yPa(gaugePa).toFixed(1)}`)
  return `${x(0)},${bandTop.value} ${points.join(' ')} ${x(endMinute.value)},${bandTop.value}`
})

const outline = computed(() =>
  (planned?.trace ?? []).map(({ minute, gaugePa }) => `${x(minute).toFixed(1)},${yPa(gaugePa).toFixed(1)}`).join(' '),
)

const mostW = computed(() => Math.max(1, ...curve.trace.map(({ heatW }) => heatW)))
/** Stretches of one heat, as they are drawn in the band. */
const heats = computed(() => {
  const found: { from: number; to: number; heatW: number }[] = []
  for (const { minute, heatW } of curve.trace) {
    const last = found.at(-1)
    if (last) last.to = minute
    const differs = !last || Math.abs(last.heatW - heatW) > 0.12 * mostW.value || last.heatW > 0 !== heatW > 0
    if (differs) found.push({ from: minute, to: minute, heatW })
  }
  return found.filter(({ from, to, heatW }) => to > from && heatW > 0)
})
const heatHeight = (heatW: number) => Math.max(5, BAND * Math.sqrt(heatW / mostW.value))

const ticks = computed(() => {
  const step = [1, 2, 5, 10, 15, 20, 30, 60, 120, 240].find((minutes) => x(minutes) - x(0) >= 64) ?? 480
  const count = Math.floor(spanMinutes.value / step)
  return Array.from({ length: count + 1 }, (_, i) => i * step)
})
/** Notches are numbered as far as the numbers have room. */
const notches = computed(() => {
  const minutes = curve.whistleMinutes
  let lastAt = -Infinity
  return minutes.map((minute, i) => {
    const at = x(minute)
    const isLast = i === minutes.length - 1
    const numbered = at - lastAt >= 15 && (isLast || x(minutes.at(-1)!) - at >= 15 || minutes.length === 1)
    if (numbered) lastAt = at
    return { at, numbered, label: i + 1 }
  })
})
const afterOff = computed(() => {
  if (!release) return ''
  if (release.kind === 'natural') return t('strip.falls')
  const wait = release.afterMinutes ?? 0
  return wait > 0 ? t('strip.timed', { n: number(wait) }) : t('strip.quick')
})
/** The minute that is looked at, by pointing, tapping or the arrow keys. */
const lookAt = ref<number | null>(null)
const canLook = computed(() => foods.length > 0)
const minuteAt = (clientX: number) => {
  const left = clientX - box.value!.getBoundingClientRect().left
  return ((left - SIDE) / Math.max(10, width.value - 2 * SIDE)) * spanMinutes.value
}
const withinRun = (minute: number) => Math.max(0, Math.min(endMinute.value, minute))
function look(event: PointerEvent) {
  if (canLook.value && heldSpan.value === null) lookAt.value = withinRun(minuteAt(event.clientX))
}
function lookByKey(event: KeyboardEvent) {
  const step = { ArrowRight: 1, ArrowLeft: -1, PageUp: 5, PageDown: -5 }[event.key]
  if (step !== undefined) lookAt.value = withinRun(Math.round(lookAt.value ?? 0) + step)
  else if (event.key === 'Home') lookAt.value = 0
  else if (event.key === 'End') lookAt.value = endMinute.value
  else if (event.key === 'Escape') lookAt.value = null
  else return
  event.preventDefault()
}
const seen = computed(() => {
  if (lookAt.value === null || curve.trace.length === 0) return null
  const point = pointAt(curve.trace, lookAt.value)
  const readings = [
    t('strip.at', { time: at(lookAt.value) }),
    temp(point.tempC),
    ...(curve.minutesToPressure === null ? [] : [gauge(point.gaugePa)]),
    ...foods.map((name, i) => t('strip.got', { food: name, n: number(point.boilMinutes[i] ?? 0) })),
  ]
  return { x: x(lookAt.value), y: yPa(point.gaugePa), text: readings.join(' · ') }
})

const drag: OnDrag = ({ xy: [clientX], last, canceled }) => {
  heldSpan.value ??= spanMinutes.value
  if (figure && !canceled) emit('figure', figureAt(curve, figure, minuteAt(clientX)))
  if (last) heldSpan.value = null
}
function figureByKey(event: KeyboardEvent) {
  const step = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key]
  if (step !== undefined && figure) emit('figure', Math.max(figure.unit === 'whistles' ? 1 : 0, figure.asked + step))
  else if (event.key === 'Escape') emit('figure', null)
  else return
  event.preventDefault()
  event.stopPropagation()
}
const at = (minute: number) =>
  startMs === null ? `${number(minute)} ${t('strip.minutes')}` : clock(startMs + minute * MINUTE_MS)
const openOnLeft = computed(() => x(endMinute.value) > width.value - 96)
const text = computed(() => {
  const figures = { heat: number(curve.heatOffMinute), open: number(endMinute.value) }
  if (curve.minutesToPressure === null) return t('strip.textNoPressure', figures)
  const whistles = t('strip.whistleCount', { n: curve.whistles }, curve.whistles)
  return t('strip.text', { ...figures, pressure: number(curve.minutesToPressure), whistles })
})
</script>

<template>
  <figure class="strip">
    <figcaption class="soft">
      <span v-if="seen" class="seen" aria-hidden="true">{{ seen.text }}</span>
      <template v-else>{{ t('strip.title', { time: duration(endMinute) }) }}</template>
      <template v-if="happened && legend"> · {{ t(planned ? 'strip.legendLive' : 'strip.legend') }}</template>
    </figcaption>
    <div
      ref="box"
      class="box"
      :style="{ height: `${height}px` }"
      :role="canLook ? 'slider' : undefined"
      :tabindex="canLook ? 0 : undefined"
      :aria-label="canLook ? t('strip.look') : undefined"
      :aria-valuenow="canLook ? Math.round(lookAt ?? 0) : undefined"
      :aria-valuemin="canLook ? 0 : undefined"
      :aria-valuemax="canLook ? Math.round(endMinute) : undefined"
      :aria-valuetext="canLook ? (seen?.text ?? text) : undefined"
      @pointermove="look"
      @pointerdown="look"
      @pointerleave="lookAt = null"
      @blur="lookAt = null"
      @keydown="(event) => canLook && lookByKey(event)"
    >
      <svg
        v-if="width > 0"
        :width="width"
        :height="height"
        :viewBox="`0 0 ${width} ${height}`"
        role="img"
        :aria-label="text"
      >
        <g v-for="tick in ticks" :key="tick">
          <line :x1="x(tick)" :x2="x(tick)" :y1="NOTCHES" :y2="height - AXIS + 4" class="grid" />
          <text :x="x(tick)" :y="height - 5" text-anchor="middle" class="figure-text">{{ number(tick) }}</text>
        </g>

        <polygon :points="pressure" class="pressure" />
        <polyline v-if="planned" :points="outline" class="outline" />
        <rect
          v-for="heat in heats"
          :key="heat.from"
          :x="x(heat.from)"
          :y="bandTop + BAND - heatHeight(heat.heatW)"
          :width="Math.max(1, x(heat.to) - x(heat.from))"
          :height="heatHeight(heat.heatW)"
          :class="['heat', { weak: heat.heatW < 0.6 * mostW }]"
        />
        <line
          :x1="x(curve.heatOffMinute)"
          :x2="x(endMinute)"
          :y1="bandTop + BAND - 1.5"
          :y2="bandTop + BAND - 1.5"
          class="tail"
        />
        <text
          v-if="curve.releaseMinutes > 0 && x(endMinute) - x(curve.heatOffMinute) > (figure ? 150 : 130)"
          :x="x(curve.heatOffMinute) + (figure ? 22 : 8)"
          :y="bandTop + 15"
          class="note"
        >
          {{ afterOff }}
        </text>

        <g v-for="notch in notches" :key="notch.label">
          <path
            :d="`M${notch.at} ${NOTCHES - 13} c3.6 4.6 4.8 6.6 4.8 8.6 a4.8 4.8 0 0 1 -9.6 0 c0 -2 1.2 -4 4.8 -8.6z`"
            :class="['notch', { hollow: happened?.whistles.length }]"
          />
          <text
            v-if="notch.numbered && !happened?.whistles.length"
            :x="notch.at"
            :y="NOTCHES - 19"
            text-anchor="middle"
            class="figure-text strong"
          >
            {{ notch.label }}
          </text>
        </g>
        <g v-if="happened">
          <path
            v-for="(minute, i) in happened.whistles"
            :key="i"
            :d="`M${x(minute)} ${NOTCHES - 31} c3.6 4.6 4.8 6.6 4.8 8.6 a4.8 4.8 0 0 1 -9.6 0 c0 -2 1.2 -4 4.8 -8.6z`"
            class="notch"
          />
          <line
            v-if="happened.heatOff !== null"
            :x1="x(happened.heatOff)"
            :x2="x(happened.heatOff)"
            :y1="bandTop - 6"
            :y2="bandTop + BAND + 4"
            class="happened-off"
          />
        </g>

        <text :x="x(0)" y="13" class="flag">
          <tspan class="strong">{{ t(electric ? 'strip.start' : 'strip.light') }}</tspan>
          {{ startMs === null ? '' : clock(startMs) }}
        </text>
        <line :x1="x(endMinute)" :x2="x(endMinute)" y1="2" :y2="height - AXIS" class="open" />
        <text :x="x(endMinute) + (openOnLeft ? -7 : 7)" y="13" :text-anchor="openOnLeft ? 'end' : 'start'" class="flag">
          <tspan class="strong">{{ t('strip.open') }}</tspan>
          {{ at(endMinute) }}
        </text>
        <g v-if="seen" aria-hidden="true">
          <line :x1="seen.x" :x2="seen.x" :y1="NOTCHES - 20" :y2="height - AXIS" class="looking" />
          <circle :cx="seen.x" :cy="seen.y" r="4" class="looked" />
        </g>
        <g v-if="nowMinute !== null">
          <line :x1="x(nowMinute)" :x2="x(nowMinute)" y1="18" :y2="height - AXIS + 4" class="now" />
        </g>
      </svg>
    </div>
    <div
      v-if="figure && width > 0"
      v-drag="drag"
      role="slider"
      tabindex="0"
      class="grip"
      :style="{ left: `${x(curve.heatOffMinute)}px` }"
      :aria-label="t(figure.unit === 'whistles' ? 'strip.dragWhistles' : 'strip.dragMinutes')"
      :title="t(figure.unit === 'whistles' ? 'strip.dragWhistles' : 'strip.dragMinutes')"
      :aria-valuenow="figure.value"
      aria-valuemin="0"
      aria-valuemax="600"
      @keydown="figureByKey"
    >
      <svg viewBox="-12 -12 24 24" width="28" height="28" aria-hidden="true">
        <path d="M-2.5 -5 l-4.5 5 l4.5 5 M2.5 -5 l4.5 5 l-4.5 5" class="arrows" />
      </svg>
    </div>
  </figure>
</template>

<style scoped>
.strip {
  position: relative;
  margin: 0;
}
.grip {
  position: absolute;
  bottom: 12px;
  display: grid;
  place-items: center;
  width: 44px;
  height: 44px;
  margin-inline-start: -22px;
  cursor: ew-resize;
  touch-action: none;
}
.grip svg {
  padding: 2px;
  border-radius: var(--corner);
  background: var(--heat);
}
.arrows {
  fill: none;
  stroke: var(--ground);
  stroke-width: 2;
}
.looking {
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 3 3;
}
.looked {
  fill: var(--ink);
}
.seen {
  color: var(--ink);
}
/* Paper is narrower than a screen: it is drawn whole on it. */
@media print {
  .strip {
    break-inside: avoid;
  }
  .box {
    height: auto !important;
  }
  .box > svg {
    position: static;
    width: 100%;
    height: auto;
  }
}
figcaption {
  font-size: 14px;
  margin-bottom: 6px;
}
.box {
  position: relative;
  overflow: hidden;
}
svg {
  display: block;
  position: absolute;
}
.grid {
  stroke: var(--line);
}
.figure-text {
  font-family: var(--figure-family);
  font-size: 14px;
  fill: var(--ink-soft);
}
.strong {
  font-weight: 650;
  fill: var(--ink);
}
.flag,
.note {
  font-size: 13.5px;
  fill: var(--ink-soft);
}
.pressure {
  fill: var(--steam-fill);
  stroke: var(--steam);
  stroke-width: 1.2;
}
.outline {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
  stroke-dasharray: 4 4;
}
.heat {
  fill: var(--heat);
}
.heat.weak {
  fill: var(--heat-low);
}
.tail {
  stroke: var(--steam);
  stroke-width: 3;
}
.notch {
  fill: var(--steam);
  stroke: var(--steam);
}
.notch.hollow {
  fill: none;
}
.open {
  stroke: var(--ink);
  stroke-width: 2;
}
.now {
  stroke: var(--ink);
  stroke-width: 3;
}
.happened-off {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 4 3;
}
</style>
