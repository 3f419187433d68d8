<script setup lang="ts">
import type { Cooker } from '~~/core/appliance/appliance'
import type { ClosingFill, PlanAnswer } from '~~/core/program/answer'
import { heightOfMm, tierHeightMm, tierWidthMm } from '~~/core/pot/stacking'
import { vDrag } from '~/composables/common/drag'

export interface DrawnTin {
  id: string
  name: string
  diameterMm: number
  heightMm: number
  covered: boolean
  /** What stands in it; null while it is empty. */
  food: { name: string; later: boolean; waterG: number; beforeShare: number; afterShare: number } | null
}

/** The cutaway of a stack: base, trivet and tins to scale, each with its food before and after swelling. */
const { cooker, tiers, trivetMm, fill, baseName, heat } = defineProps<{
  cooker: Cooker
  tiers: DrawnTin[][]
  trivetMm: number
  fill: (ClosingFill & PlanAnswer['fill']) | null
  baseName: string | null
  heat: number
}>()
const { t, number, length, weight } = useI18nText()
const { carry, isOver, isCarried } = useCarry()
const hatch = useId()

const WALL = 5
const LABEL_ROOM = 150
const inner = computed(() => ({ width: cooker.body.innerDiameterMm, height: cooker.body.innerHeightMm }))
const lidHeight = computed(() => inner.value.width * 0.075)
const top = computed(() => lidHeight.value + inner.value.width * 0.075 + 6)
const floor = computed(() => top.value + inner.value.height)
const left = 14 + WALL
const right = computed(() => left + inner.value.width)
const view = computed(() => ({ width: right.value + WALL + LABEL_ROOM, height: floor.value + WALL + 34 }))
const yOf = (mm: number) => floor.value - mm

const baseMm = computed(() => (fill ? heightOfMm(Math.max(fill.liquidL, 0), cooker.body) : 0))
const foodMm = computed(() => (fill ? heightOfMm(fill.foodL, cooker.body) : 0))
const afterMm = computed(() => (fill ? heightOfMm(fill.afterL, cooker.body) : 0))

interface Standing extends DrawnTin {
  x: number
  /** mm above the pot's floor. */
  from: number
  tier: number
}
const COVER_MM = 3
const standing = computed(() => {
  const found: Standing[] = []
  let from = trivetMm
  tiers.forEach((tier, level) => {
    const tins = tier.map((tin) => ({ ...tin, cover: tin.covered ? ('lid' as const) : ('none' as const) }))
    let x = left + (inner.value.width - tierWidthMm(tins)) / 2
    for (const tin of tier) {
      found.push({ ...tin, x, from, tier: level })
      x += tin.diameterMm + 10
    }
    from += tierHeightMm(tins)
  })
  return found
})
/** Where a tier begins and ends, in mm above the floor; one more, empty, above the last. */
const zones = computed(() => {
  let from = trivetMm
  const found = tiers.map((tier, tierIndex) => {
    const height = Math.max(...tier.map(({ heightMm, covered }) => heightMm + (covered ? COVER_MM : 0)))
    const zone = { tier: tierIndex, from, to: from + height }
    from += height
    return zone
  })
  return [...found, { tier: tiers.length, from, to: Math.max(from + 24, inner.value.height) }]
})

const tinHeight = (tin: Standing) => tin.heightMm
const level = (tin: Standing, share: number) => Math.min(1, share) * (tin.heightMm - 3)
const labelY = computed(() => {
  // Labels of tins side by side, and of the base, keep from touching.
  const wanted = standing.value.map((tin) => ({ id: tin.id, y: yOf(tin.from + tin.heightMm / 2) }))
  wanted.push({ id: 'base', y: yOf(Math.max(6, Math.min(baseMm.value, trivetMm) / 2)) })
  wanted.sort((a, b) => a.y - b.y)
  for (let i = 1; i < wanted.length; i++) wanted[i]!.y = Math.max(wanted[i]!.y, wanted[i - 1]!.y + 31)
  const over = (wanted.at(-1)?.y ?? 0) - (floor.value + 6)
  if (over > 0) {
    wanted.at(-1)!.y -= over
    for (let i = wanted.length - 2; i >= 0; i--) wanted[i]!.y = Math.min(wanted[i]!.y, wanted[i + 1]!.y - 31)
  }
  return Object.fromEntries(wanted.map(({ id, y }) => [id, y]))
})
const text = computed(() =>
  [
    t('stack.drawing.base', {
      what: baseName ?? t('stack.drawing.water'),
      trivet: length(trivetMm),
    }),
    ...standing.value.map((tin) =>
      t('stack.drawing.tin', {
        tier: tin.tier + 1,
        tin: tin.name,
        food: tin.food?.name ?? t('stack.drawing.nothing'),
        before: number(100 * (tin.food?.beforeShare ?? 0)),
        after: number(100 * (tin.food?.afterShare ?? 0)),
      }),
    ),
  ].join(' '),
)
</script>

<template>
  <svg :viewBox="`0 0 ${view.width} ${view.height}`" role="img" :aria-label="text" class="cutaway">
    <defs>
      <pattern :id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="7" stroke="var(--food)" stroke-width="1.1" opacity="0.75" />
      </pattern>
    </defs>
    <PotShell
      :appliance="cooker.appliance"
      :left="left"
      :top="top"
      :width="inner.width"
      :height="inner.height"
      :heat="heat"
      :handle-mm="0"
    >
      <rect
        v-for="zone in zones"
        :key="`zone-${zone.tier}`"
        :x="left"
        :y="yOf(zone.to)"
        :width="inner.width"
        :height="zone.to - zone.from"
        :class="['zone', { over: isOver({ at: 'tier', tier: zone.tier }) }]"
        :data-tier="zone.tier"
      />
      <g class="base" data-base>
        <rect
          :x="left"
          :y="yOf(trivetMm)"
          :width="inner.width"
          :height="trivetMm"
          :class="['zone', { over: isOver({ at: 'base' }) }]"
        />
        <rect :x="left" :y="yOf(baseMm)" :width="inner.width" :height="baseMm" class="water" />
        <template v-if="baseName">
          <rect :x="left" :y="yOf(foodMm)" :width="inner.width" :height="foodMm" class="food" />
          <rect
            v-if="afterMm > foodMm"
            :x="left"
            :y="yOf(afterMm)"
            :width="inner.width"
            :height="afterMm - foodMm"
            :fill="`url(#${hatch})`"
          />
        </template>
      </g>
      <path v-if="tiers.length > 0" :d="`M${left + 12} ${yOf(trivetMm)} H${right - 12}`" class="trivet" />
      <path
        v-if="tiers.length > 0"
        :d="`M${left + 26} ${yOf(trivetMm)} V${floor} M${right - 26} ${yOf(trivetMm)} V${floor}`"
        class="leg"
      />

      <g
        v-for="tin in standing"
        :key="tin.id"
        v-drag="carry({ kind: 'tin', id: tin.id, name: tin.name })"
        :class="['tin', { over: isOver({ at: 'tin', id: tin.id }), carried: isCarried('tin', tin.id) }]"
        :data-tin="tin.id"
        :data-tier="tin.tier"
      >
        <title>{{ t('stack.dragTin', { name: tin.name }) }}</title>
        <rect
          :x="tin.x"
          :y="yOf(tin.from + tinHeight(tin))"
          :width="tin.diameterMm"
          :height="tinHeight(tin)"
          class="inside"
        />
        <template v-if="tin.food">
          <rect
            :x="tin.x + 2"
            :y="yOf(tin.from + 2 + level(tin, tin.food.afterShare))"
            :width="tin.diameterMm - 4"
            :height="level(tin, tin.food.afterShare)"
            :fill="`url(#${hatch})`"
          />
          <rect
            :x="tin.x + 2"
            :y="yOf(tin.from + 2 + level(tin, tin.food.beforeShare))"
            :width="tin.diameterMm - 4"
            :height="level(tin, tin.food.beforeShare)"
            class="food"
          />
        </template>
        <path
          :d="`M${tin.x} ${yOf(tin.from + tinHeight(tin))} V${yOf(tin.from)} H${tin.x + tin.diameterMm} V${yOf(tin.from + tinHeight(tin))}`"
          class="tin-wall"
        />
        <path
          v-if="tin.covered"
          :d="`M${tin.x - 2} ${yOf(tin.from + tinHeight(tin) + 1.5)} H${tin.x + tin.diameterMm + 2}`"
          class="tin-lid"
        />
      </g>
    </PotShell>

    <g class="texts" aria-hidden="true">
      <g v-for="tin in standing" :key="tin.id">
        <path
          :d="`M${tin.x + tin.diameterMm} ${yOf(tin.from + tin.heightMm / 2)} L${right + WALL + 9} ${labelY[tin.id]}`"
          class="lead"
        />
        <text :x="right + WALL + 12" :y="labelY[tin.id]! - 2" class="label">
          {{ tin.food?.name ?? t('stack.drawing.nothing') }}
        </text>
        <text :x="right + WALL + 12" :y="labelY[tin.id]! + 12" class="detail">
          {{
            tin.food
              ? t(tin.food.later ? 'stack.drawing.later' : 'stack.drawing.inTin', {
                  water: weight(tin.food.waterG),
                  tin: tin.name,
                })
              : tin.name
          }}
        </text>
      </g>
      <text :x="right + WALL + 12" :y="labelY.base! - 2" class="label tone-water">
        {{ baseName ?? t('stack.drawing.water') }}
      </text>
      <text :x="right + WALL + 12" :y="labelY.base! + 12" class="detail">
        {{ fill ? t('stack.drawing.litres', { n: number(fill.liquidL, 1) }) : '' }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.cutaway {
  display: block;
  width: 100%;
  height: 100%;
}
.zone {
  fill: transparent;
}
.zone.over,
.over .inside {
  fill: var(--food-fill);
}
.water {
  fill: var(--water-fill);
}
.food {
  fill: var(--food-fill);
}
.inside {
  fill: var(--ground);
}
.tin {
  cursor: grab;
  touch-action: none;
}
.carried {
  opacity: 0.35;
  pointer-events: none;
}
.tin-wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.2;
}
.tin-lid {
  stroke: var(--ink);
  stroke-width: 3;
}
.trivet {
  stroke: var(--ink-soft);
  stroke-width: 2.5;
  stroke-dasharray: 9 4;
}
.leg {
  stroke: var(--ink-soft);
  stroke-width: 1.5;
}
.texts {
  pointer-events: none;
}
.lead {
  stroke: var(--ink-soft);
  fill: none;
  opacity: 0.6;
}
.texts text {
  fill: currentColor;
}
.label {
  font-size: 12.5px;
  font-weight: 650;
}
.texts .detail {
  font-size: 11px;
  fill: var(--ink-soft);
}
</style>
