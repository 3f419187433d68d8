<script setup lang="ts">
import type { FoodAnswer } from '~~/core/program/answer'

/** The window: one food's boil-minutes from hard to lost, and where this program lands. */
const {
  food,
  name,
  textures,
  named: showName = false,
} = defineProps<{
  food: FoodAnswer
  name: string
  /** Names of firm, tender and soft for this food. */
  textures: { firm: string; tender: string; soft: string }
  /** Says which food it is of, where there is more than one. */
  named?: boolean
}>()
const { t, number } = useI18nText()

const endBm = computed(() => Math.max(food.window.max * 1.08, food.gets * 1.05))
const share = (boilMinutes: number) => (Math.min(boilMinutes, endBm.value) / endBm.value) * 100
const zones = computed(() => {
  const { firm, tender, soft, max } = food.window
  const edges = [0, firm, tender, soft, max, endBm.value]
  return (['hard', 'firm', 'tender', 'soft', 'lost'] as const).map((id, i) => ({
    id,
    left: share(edges[i]!),
    width: share(edges[i + 1]!) - share(edges[i]!),
    text: id === 'hard' || id === 'lost' ? t(`window.${id}`) : textures[id],
  }))
})
/** A name is shown where its zone has room for it; the one that was reached always, at its neighbour's cost. */
const named = computed(() => {
  const reachedAt = zones.value.findIndex(({ id }) => id === food.doneness)
  return zones.value.filter(({ width }, i) => {
    if (i === reachedAt) return true
    // Next to the one that was reached there is room only if neither is narrow.
    const tight = (i === reachedAt + 1 && zones.value[reachedAt]!.width < 14) || (i === reachedAt - 1 && width < 15)
    return width >= 11 && !tight
  })
})
const label = computed(() =>
  t('window.label', { food: name, gets: number(food.gets), state: t(`window.states.${food.doneness}`) }),
)
</script>

<template>
  <div
    role="img"
    :aria-label="`${label}; ${t('window.band', { low: number(food.getsLow), high: number(food.getsHigh) })}`"
  >
    <p v-if="showName" class="whose">{{ name }}</p>
    <p class="value figure" :style="{ '--at': `${share(food.gets)}%` }">
      <span>{{ t('window.value', { n: number(food.gets) }) }}</span>
    </p>
    <div class="track">
      <span
        v-for="zone in zones"
        :key="zone.id"
        :class="['zone', zone.id]"
        :style="{ left: `${zone.left}%`, width: `${zone.width}%` }"
      />
      <span
        class="band"
        :style="{ left: `${share(food.getsLow)}%`, width: `${share(food.getsHigh) - share(food.getsLow)}%` }"
      />
      <span class="here" :style="{ left: `${share(food.gets)}%` }" />
    </div>
    <div class="names">
      <span
        v-for="zone in named"
        :key="zone.id"
        :class="{ reached: zone.id === food.doneness }"
        :style="{ left: `${zone.left}%` }"
        >{{ zone.text }}</span
      >
    </div>
  </div>
</template>

<style scoped>
.whose {
  margin: 0 0 2px;
  font-size: 14px;
  font-weight: 700;
}
.value {
  position: relative;
  height: 22px;
  margin: 0;
  font-size: 17px;
}
.value span {
  position: absolute;
  left: clamp(0px, calc(var(--at) - 44px), calc(100% - 118px));
  white-space: nowrap;
}
.track {
  position: relative;
  height: 14px;
}
.zone {
  position: absolute;
  inset-block: 1px;
}
.hard {
  background: color-mix(in srgb, var(--line) 60%, transparent);
}
.firm {
  background: color-mix(in srgb, var(--food) 25%, var(--ground));
}
.tender {
  background: var(--food);
}
.soft {
  background: color-mix(in srgb, var(--food) 55%, var(--ground));
}
.lost {
  background: color-mix(in srgb, var(--danger) 28%, var(--ground));
}
.band {
  position: absolute;
  inset-block: -2px;
  border: 2px solid var(--ink);
  border-radius: var(--corner);
}
.here {
  position: absolute;
  top: -7px;
  width: 0;
  margin-inline-start: -6px;
  border: 6px solid transparent;
  border-top: 9px solid var(--ink);
  border-bottom: 0;
}
.names {
  position: relative;
  height: 20px;
  font-size: 13px;
}
.names span {
  position: absolute;
  white-space: nowrap;
  color: var(--ink-soft);
}
.names .reached {
  color: var(--food);
  font-weight: 700;
}
</style>
