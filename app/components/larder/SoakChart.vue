<script setup lang="ts">
import type { Food } from '~~/core/food/food.schema'
import { needOf } from '~~/core/food/need'
import { soakedShare } from '~~/core/food/soak'
import { texturesOf, usualTexture } from '~~/core/food/texture'

/** How far a food soaks in which water, and what that saves: the boil-minutes it still needs. */
const { food, roomC, tapC } = defineProps<{ food: Food; roomC: number; tapC: number }>()
const kitchen = useKitchenStore()
const { t, number } = useI18nText()

const WATERS = computed(
  () =>
    [
      { id: 'hot', waterC: 95, tone: 'heat' },
      { id: 'room', waterC: tapC, tone: 'water' },
      { id: 'fridge', waterC: 5, tone: 'steam' },
    ] as const,
)
const longest = computed(() => Math.max(4, Math.min(24, Math.ceil((food.soak?.adviceHours[1] ?? 8) * 1.5))))
const hours = computed(() => Array.from({ length: 41 }, (_, i) => longest.value * (i / 40) ** 2))
const shareAfter = (waterC: number, after: number) =>
  soakedShare(food, { hours: after, waterC, keepWater: false }, roomC)
const soaked = computed(() =>
  WATERS.value.map(({ id, waterC, tone }) => ({
    name: t(`larder.soakIn.${id}`),
    tone,
    points: hours.value.map((after): [number, number] => [after, 100 * shareAfter(waterC, after)]),
  })),
)
const texture = computed(() => (texturesOf(food).includes('tender') ? 'tender' : usualTexture(food)))
const needs = computed(() =>
  WATERS.value.map(({ id, waterC, tone }) => ({
    name: t(`larder.soakIn.${id}`),
    tone,
    points: hours.value.map((after): [number, number] => [
      after,
      needOf(food, texture.value, { soakedShare: shareAfter(waterC, after), batch: 'fresh', additions: [] })
        .boilMinutes,
    ]),
  })),
)
const advised = computed(() => food.soak!.adviceHours[0])
const text = computed(() =>
  t('larder.soakText', {
    hours: number(advised.value),
    percent: number(100 * shareAfter(tapC, advised.value)),
    dry: number(needs.value[1]!.points[0]![1]),
    soaked: number(
      needOf(food, texture.value, { soakedShare: shareAfter(tapC, advised.value), batch: 'fresh', additions: [] })
        .boilMinutes,
    ),
  }),
)
</script>

<template>
  <p class="text">{{ text }}</p>
  <LineChart
    :series="soaked"
    :label="t('larder.soakChart', { food: kitchen.foodName(food.id) })"
    :x-name="t('larder.hours')"
    :y-name="t('larder.soakedShare')"
    :height="210"
  />
  <LineChart
    v-if="food.soak!.dryPenalty > 0"
    :series="needs"
    :label="t('larder.needChart', { food: kitchen.foodName(food.id) })"
    :x-name="t('larder.hours')"
    :y-name="t('larder.boilMinutes')"
    :height="210"
  />
</template>

<style scoped>
.text {
  margin: 0 0 12px;
}
</style>
