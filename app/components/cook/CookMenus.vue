<script setup lang="ts">
import type { NextAction } from '~~/core/live/next'
import { runsByItself } from '~~/core/live/next'
import type { RunEventData } from '~~/core/live/event.schema'
import { kindOf } from '~~/core/appliance/appliance'
import { lastLeg, type RunState } from '~~/core/live/run'
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
  const { style } = plan.request
  return lastLeg(state).flameChanges.at(-1)?.flame ?? ('flame' in style ? style.flame : 'high')
})
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
  found.push({ text: t('cook.giveUp'), data: { kind: 'abandoned' } })
  return found
})
</script>

<template>
  <div class="menus">
    <v-menu v-if="state.phase === 'heating' && !itself" location="top end">
      <template #activator="{ props }">
        <button type="button" class="press" v-bind="props">
          {{ t('cook.flame', { flame: t(`pot.flames.${flameNow}`) }) }}
        </button>
      </template>
      <v-list :aria-label="t('cook.changeFlame')">
        <v-list-item
          v-for="flame in FLAMES"
          :key="flame"
          :active="flame === flameNow"
          :title="t(`pot.flames.${flame}`)"
          @click="emit('add', { kind: 'flame', flame })"
        />
      </v-list>
    </v-menu>
    <v-menu location="top end">
      <template #activator="{ props }">
        <button type="button" class="press" v-bind="props">{{ t('cook.more') }}</button>
      </template>
      <v-list :aria-label="t('cook.more')">
        <v-list-item v-for="{ text, data } in more" :key="text" :title="text" @click="emit('add', data)" />
      </v-list>
    </v-menu>
  </div>
</template>

<style scoped>
.menus {
  display: flex;
}
.menus :deep(.press) {
  flex: 1;
  min-width: 150px;
}
@media (max-width: 800px) {
  .menus {
    grid-column: span 2;
  }
  .menus :deep(.press) {
    min-width: 0;
  }
}
</style>
