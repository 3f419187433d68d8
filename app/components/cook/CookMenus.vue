<script setup lang="ts">
import { litOn } from '~~/core/program/styles'
import type { NextAction } from '~~/core/live/next'
import { runsByItself } from '~~/core/live/next'
import type { RunEventData } from '~~/core/live/event.schema'
import { holdsPressure, kindOf } from '~~/core/appliance/appliance'
import { lastCycle, type RunState } from '~~/core/live/run'
import { FLAMES } from '~~/core/names'
import { applianceOf } from '~~/core/program/answer'
import type { SavedPlan } from '~~/shared/household'

/** What else can happen at the stove: another flame, something that goes wrong, an end before its time. */
const { plan, state, action } = defineProps<{ plan: SavedPlan; state: RunState; action: NextAction }>()
const emit = defineEmits<{ add: [data: RunEventData] }>()
const { t } = useI18nText()

const itself = computed(() => runsByItself(plan.answer))
const isHot = computed(() => state.phase === 'heating' || state.phase === 'interrupted')
const flameNow = computed(() => {
  return lastCycle(state).flameChanges.at(-1)?.flame ?? litOn(plan.request.style)
})
const flames = computed(() =>
  FLAMES.map((flame) => ({
    text: t(`pot.flames.${flame}`),
    chosen: flame === flameNow.value,
    act: () => emit('add', { kind: 'flame', flame }),
  })),
)
const more = computed(() => {
  const found: { text: string; data: RunEventData }[] = []
  if (isHot.value && action.event?.kind !== 'heat-off')
    found.push({ text: t('cook.heatOffNow'), data: { kind: 'heat-off' } })
  if (state.phase === 'heating') {
    if (!itself.value) found.push({ text: t('cook.interrupted.gas'), data: { kind: 'interrupted', why: 'gas' } })
    if (kindOf(applianceOf(plan.answer)).tells === 'whistles')
      found.push({ text: t('cook.interrupted.weight'), data: { kind: 'interrupted', why: 'weight' } })
    found.push({ text: t('cook.interrupted.power'), data: { kind: 'interrupted', why: 'power' } })
  }
  return [
    ...found.map(({ text, data }) => ({ text, act: () => emit('add', data) })),
    { text: t('cook.giveUp'), act: () => (givingUp.value = true) },
  ]
})
/** Whoever gives up is told first what to do with the heat and the pressure. */
const givingUp = ref(false)
function giveUp() {
  givingUp.value = false
  emit('add', { kind: 'abandoned' })
}
const giveUpText = computed(() => {
  if (state.phase === 'ready' || state.phase === 'opened') return t('cook.givingUp.cold')
  return t(holdsPressure(applianceOf(plan.answer)) ? 'cook.givingUp.pressure' : 'cook.givingUp.hot')
})
</script>

<template>
  <div class="menus">
    <PressMenu
      v-if="state.phase === 'heating' && !itself"
      :label="t('cook.changeFlame')"
      :presses="flames"
      look="press"
    >
      {{ t('cook.flame', { flame: t(`pot.flames.${flameNow}`) }) }}
    </PressMenu>
    <PressMenu :label="t('cook.more')" :presses="more" look="press" />
    <v-dialog v-model="givingUp" max-width="460" :aria-label="t('cook.givingUp.title')">
      <v-sheet class="giving-up">
        <h2>{{ t('cook.givingUp.title') }}</h2>
        <p>{{ giveUpText }}</p>
        <div class="ways">
          <v-btn size="large" autofocus @click="givingUp = false">{{ t('cook.givingUp.goOn') }}</v-btn>
          <v-btn variant="flat" color="primary" size="large" @click="giveUp">{{ t('cook.giveUp') }}</v-btn>
        </div>
      </v-sheet>
    </v-dialog>
  </div>
</template>

<style scoped>
.menus {
  display: flex;
}
.menus :deep(.whole) {
  flex: 1;
  min-width: 150px;
}
.giving-up {
  padding: 20px;
}
.giving-up h2 {
  margin: 0 0 8px;
  font-size: 21px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 10px;
  margin-top: 16px;
}
@media (max-width: 800px) {
  .menus {
    grid-column: span 2;
  }
  .menus :deep(.whole) {
    min-width: 0;
  }
}
</style>
