<script setup lang="ts">
import type { Following } from '~~/core/live/follow'
import { lastCycle } from '~~/core/live/run'
import { findFood } from '~~/core/food/catalogue'
import { MINUTE_MS } from '~~/core/measure/time'
import { unitOf } from '~~/core/program/answer'
import type { SavedPlan } from '~~/shared/household'

/** When things will happen as it now looks, and how far the food is. */
const { following, plan, nowMs } = defineProps<{
  following: Following
  plan: SavedPlan
  electric: boolean
  nowMs: number
}>()
const { t, number, clock } = useI18nText()
const { foodName } = useKitchenStore()

const state = computed(() => following.state)
const cycle = computed(() => lastCycle(state.value))
const outlook = computed(() => following.outlook)
/** What would be, if it were lit now. */
const ifLit = computed(() => {
  if (state.value.phase !== 'ready' || cycle.value.more) return null
  const { heatOffAtMinute, openAtMinute } = plan.answer.closings[0]!.clock
  return { heatOff: nowMs + heatOffAtMinute * MINUTE_MS, open: nowMs + openAtMinute * MINUTE_MS }
})
const pressureAt = computed(() => {
  if (outlook.value?.overdue) return outlook.value.overdue.after === 'lit' ? outlook.value.overdue.dueAt : null
  const minutes = outlook.value?.curve.minutesToPressure ?? plan.answer.closings[0]!.clock.pressureAtMinute
  const waits =
    state.value.phase === 'heating' && cycle.value.whistles.length === 0 && cycle.value.atPressureAt === null
  return waits && minutes !== null && cycle.value.litAt !== null ? cycle.value.litAt + minutes * MINUTE_MS : null
})
const isOff = computed(() => cycle.value.heatOffAt !== null)
const opens = computed(() => {
  const { openedAt } = cycle.value
  const { phase } = state.value
  if (openedAt !== null || !outlook.value || outlook.value.overdue) return null
  const { value, low, high } = outlook.value.opensAt
  const banded = phase === 'releasing' || phase === 'safe'
  return {
    at: value,
    band: banded && high - low > MINUTE_MS ? t('cook.between', { low: clock(low), high: clock(high) }) : '',
  }
})
/** The first figure after which a look may pay, by what is known now: half of such pots are done by then. */
const firstLook = computed(() => {
  const needed = outlook.value?.needed
  if (!needed || isOff.value || !following.advice) return ''
  const half = Math.max(1, Math.ceil(needed.value - 1e-6))
  return half < following.advice.figure ? t(`cook.needed.${unitOf(plan.answer)}`, { n: number(half) }) : ''
})
const foods = computed(() =>
  plan.answer.foods.map(({ food, needs }, i) => {
    const { had, still, closing } = following.course
    const now = closing.needs
    const needed = now[i] === 0 && had[i] === 0 ? needs : had[i]! + now[i]! + still[i]!
    // What must not be undercooked is cooked with a margin: it has what it is to have when the count is full.
    const willGet = (outlook.value?.willGet[i]?.value ?? 0) + still[i]!
    const total = findFood(food)?.lectin ? Math.max(needed, willGet) : needed
    const unknown = outlook.value?.overdue?.after === 'lit'
    const got = outlook.value?.gotNow[i] ?? { value: 0, low: 0, high: 0 }
    return {
      name: plan.answer.foods.length > 1 ? foodName(food) : '',
      // Nothing was heard of it: then nobody knows.
      got: unknown ? t('cook.unknown') : number(got.value),
      of: t('cook.boilMinutesOf', { n: number(total) }),
      share: unknown ? 0 : Math.min(1, got.value / Math.max(1, total)),
      band:
        !unknown && got.high - got.low > 1.5 ? t('cook.between', { low: number(got.low), high: number(got.high) }) : '',
    }
  }),
)
</script>

<template>
  <aside>
    <template v-if="ifLit">
      <div>
        <h2 class="soft">{{ t('cook.ifLit.heatOff') }}</h2>
        <p class="figure time tone-heat">{{ clock(ifLit.heatOff) }}</p>
      </div>
      <div>
        <h2 class="soft">{{ t('cook.ifLit.opens') }}</h2>
        <p class="figure time">{{ clock(ifLit.open) }}</p>
      </div>
    </template>
    <div v-if="pressureAt !== null">
      <h2 class="soft">{{ t(electric ? 'cook.pressure' : 'cook.firstWhistle') }}</h2>
      <p class="figure time tone-steam">{{ clock(pressureAt) }}</p>
    </div>
    <div v-if="outlook && (isOff || (pressureAt === null && !outlook.overdue))">
      <h2 class="soft">{{ t(isOff ? 'cook.heatWasOff' : 'cook.heatOff') }}</h2>
      <p class="figure time tone-heat">{{ clock(outlook.heatOffAt) }}</p>
      <p v-if="firstLook" class="band soft">{{ firstLook }}</p>
    </div>
    <div v-if="opens">
      <h2 class="soft">{{ t('cook.opens') }}</h2>
      <p class="figure time">{{ clock(opens.at) }}</p>
      <p v-if="opens.band" class="band soft">{{ opens.band }}</p>
    </div>
    <div v-else-if="cycle.openedAt !== null">
      <h2 class="soft">{{ t('cook.opened') }}</h2>
      <p class="figure time">{{ clock(cycle.openedAt) }}</p>
    </div>
    <div v-if="outlook" class="cooked">
      <h2 class="soft">{{ t('cook.cooked') }}</h2>
      <div v-for="(food, i) in foods" :key="i">
        <p class="got">
          <span v-if="food.name" class="name">{{ food.name }}</span>
          <span class="figure tone-food" :class="foods.length > 1 ? 'small' : 'large'">{{ food.got }}</span>
          <span class="tone-food">{{ food.of }}</span>
        </p>
        <div class="bar" aria-hidden="true"><span :style="{ width: `${food.share * 100}%` }" /></div>
        <p v-if="food.band" class="band soft">{{ food.band }}</p>
      </div>
    </div>
  </aside>
</template>

<style scoped>
aside {
  border-inline-start: 1px solid var(--line);
  padding: 8px 32px;
  min-width: 0;
}
aside > div {
  padding: 10px 0 12px;
  border-bottom: 1px solid var(--line);
}
aside > div:last-child {
  border-bottom: 0;
}
h2 {
  margin: 0 0 2px;
  font-size: 17px;
  font-weight: 400;
}
.time {
  margin: 0;
  font-size: 62px;
}
.band {
  margin: 2px 0 0;
  font-size: 15px;
}
.got {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 8px;
  margin: 0;
}
.name {
  flex-basis: 100%;
}
.large {
  font-size: 54px;
}
.small {
  font-size: 30px;
}
.bar {
  height: 6px;
  margin-top: 4px;
  background: var(--line);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--food);
}
@media (max-width: 800px) {
  aside {
    display: flex;
    gap: 14px;
    padding: 0 16px;
    border-inline-start: 0;
    border-top: 1px solid var(--line);
  }
  aside > div {
    flex: 1 1 0;
    min-width: 0;
    border-bottom: 0;
    padding: 8px 0;
  }
  h2 {
    font-size: 14px;
  }
  .time,
  .large {
    font-size: 32px;
  }
  .got {
    font-size: 14px;
  }
}
</style>
