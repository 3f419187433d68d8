<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Release, Simulation } from '~~/core/pot/case'

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
} = defineProps<{
  curve: Simulation
  release: Release | null
  /** When it was or would be lit; labels show clock times then. */
  startMs?: number | null
  nowMinute?: number | null
  /** What has really happened, in minutes from lighting. */
  happened?: { whistles: number[]; heatOff: number | null; opened: number | null } | null
  electric?: boolean
  height?: number
}>()
const { t, number, clock, duration } = useI18nText()

const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const AXIS = 22
const BAND = 24
const NOTCHES = 46
const SIDE = 10

const endMinute = computed(() => curve.heatOffMinute + curve.releaseMinutes)
const spanMinutes = computed(
  () => Math.max(endMinute.value, nowMinute ?? 0, happened?.opened ?? 0, happened?.heatOff ?? 0) * 1.02 + 1.5,
)
const x = (minute: number) => SIDE + (minute / spanMinutes.value) * Math.max(10, width.value - 2 * SIDE)
const bandTop = computed(() => height - AXIS - BAND)
const topPa = computed(() => Math.max(20_000, ...curve.trace.map(({ gaugePa }) => gaugePa)))
const yPa = (gaugePa: number) => bandTop.value - (gaugePa / topPa.value) * (bandTop.value - NOTCHES)

const pressure = computed(() => {
  const points = curve.trace.map(({ minute, gaugePa }) => `${x(minute).toFixed(1)},${yPa(gaugePa).toFixed(1)}`)
  return `${x(0)},${bandTop.value} ${points.join(' ')} ${x(endMinute.value)},${bandTop.value}`
})

const mostW = computed(() => Math.max(1, ...curve.trace.map(({ heatW }) => heatW)))
/** Stretches of one heat, as they are drawn in the band. */
const heats = computed(() => {
  const found: { from: number; to: number; heatW: number }[] = []
  for (const { minute, heatW } of curve.trace) {
    const last = found.at(-1)
    if (last) last.to = minute
    if (!last || Math.abs(last.heatW - heatW) > 0.12 * mostW.value) found.push({ from: minute, to: minute, heatW })
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
const at = (minute: number) =>
  startMs === null ? `${number(minute)} ${t('strip.minutes')}` : clock(startMs + minute * 60_000)
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
      {{ t('strip.title', { time: duration(endMinute) })
      }}<template v-if="happened"> · {{ t('strip.legend') }}</template>
    </figcaption>
    <div ref="box" class="box" :style="{ height: `${height}px` }">
      <svg v-if="width > 0" :width="width" :height="height" role="img" :aria-label="text">
        <g v-for="tick in ticks" :key="tick">
          <line :x1="x(tick)" :x2="x(tick)" :y1="NOTCHES" :y2="height - AXIS + 4" class="grid" />
          <text :x="x(tick)" :y="height - 5" text-anchor="middle" class="figure-text">{{ number(tick) }}</text>
        </g>

        <polygon :points="pressure" class="pressure" />
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
          v-if="curve.releaseMinutes > 0 && x(endMinute) - x(curve.heatOffMinute) > 130"
          :x="x(curve.heatOffMinute) + 8"
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
        <g v-if="nowMinute !== null">
          <line :x1="x(nowMinute)" :x2="x(nowMinute)" y1="18" :y2="height - AXIS + 4" class="now" />
        </g>
      </svg>
    </div>
  </figure>
</template>

<style scoped>
.strip {
  margin: 0;
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
