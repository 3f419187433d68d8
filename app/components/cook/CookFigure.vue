<script setup lang="ts">
import type { NextAction } from '~~/core/live/next'
import type { Following } from '~~/core/live/follow'
import { lastCycle } from '~~/core/live/run'
import { toldCount } from '~~/core/live/told-count'
import type { SavedPlan } from '~~/shared/household'

/** The one great figure: the water before, then the count, or the time that is left. */
const { plan, following, action, nowMs } = defineProps<{
  plan: SavedPlan
  following: Following
  action: NextAction
  nowMs: number
}>()
const emit = defineEmits<{ count: [] }>()
const { t, measured, partsOf } = useI18nText()
const { cup } = useKitchenStore()

const phase = computed(() => following.state.phase)
const heating = computed(() => phase.value === 'heating')
const told = computed(() => toldCount(following, action))
const isCount = computed(() => heating.value && (told.value.of > 0 || action.event?.kind === 'whistle'))
const countdown = computed(() => {
  const { dueAt } = action
  if (dueAt === null) return null
  const seconds = Math.round((dueAt - nowMs) / 1000)
  const rest = Math.abs(seconds)
  return { text: `${Math.floor(rest / 60)}:${String(rest % 60).padStart(2, '0')}`, overdue: seconds < 0 }
})
const pourG = computed(() => lastCycle(following.state).more?.addWaterG ?? plan.answer.closings[0]!.water.pourG)
const pour = computed(() => ({ ...partsOf(pourG.value, 'weight'), inCups: measured(pourG.value, cup) }))
</script>

<template>
  <p v-if="phase === 'ready'" class="great figure tone-water">
    {{ pour.figure }}<span class="of soft">{{ pour.unit }}</span>
    <span class="cups">{{ pour.inCups }}</span>
  </p>
  <p v-else-if="isCount" class="great figure tone-steam count" @click="emit('count')">
    {{ told.counted }}<span class="of soft">{{ t('cook.whistlesOf', { n: told.of }) }}</span>
  </p>
  <p
    v-else-if="countdown"
    class="great figure countdown"
    :class="countdown.overdue ? 'tone-heat' : 'tone-steam'"
    role="timer"
  >
    {{ countdown.text }}<span class="of soft">{{ t(countdown.overdue ? 'cook.overdue' : 'cook.left') }}</span>
  </p>
</template>

<style scoped>
.great {
  margin: 0;
  flex: none;
  font-size: clamp(110px, 15vw, 190px);
  line-height: 0.9;
}
.count {
  cursor: pointer;
}
.countdown {
  font-size: clamp(92px, 12vw, 150px);
}
.of {
  margin-inline-start: 22px;
  font-size: clamp(36px, 5.5vw, 68px);
}
.cups {
  display: block;
  margin-top: 10px;
  font-size: clamp(26px, 3vw, 38px);
}
</style>
