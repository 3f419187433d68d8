<script setup lang="ts">
import { heatsItself } from '~~/core/appliance/appliance'
import { applianceOf } from '~~/core/program/answer'
import type { Following } from '~~/core/live/follow'
import type { SavedPlan } from '~~/shared/household'

/** Four looks before the lid goes on; ticking them off is a help, not a duty. */
const { plan, following } = defineProps<{ plan: SavedPlan; following: Following }>()
const { t } = useI18nText()
const words = useCookWords()
const electric = computed(() => heatsItself(applianceOf(plan.answer)))
const items = computed(() => [
  { id: 'gasket', text: t('cook.check.gasket') },
  { id: 'vent', text: t(electric.value ? 'cook.check.valve' : 'cook.check.vent') },
  { id: 'water', text: words.contents(plan, following) },
  { id: 'seal', text: t(electric.value ? 'cook.check.sealElectric' : 'cook.check.seal') },
])
const ticked = reactive(new Set<string>())
const toggle = (id: string) => (ticked.has(id) ? ticked.delete(id) : ticked.add(id))
</script>

<template>
  <ul>
    <!-- A press anywhere else on the board may be a whistle. -->
    <li v-for="{ id, text } in items" :key="id" @click.stop>
      <v-checkbox
        :model-value="ticked.has(id)"
        :label="text"
        class="look"
        :class="{ ticked: ticked.has(id) }"
        @update:model-value="toggle(id)"
      />
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: grid;
  align-content: start;
  gap: 6px;
  margin: 18px 0 0;
  padding: 0;
  list-style: none;
  max-width: 760px;
}
.look :deep(.v-selection-control) {
  --v-selection-control-size: 40px;
  min-height: 56px;
  gap: 10px;
  padding: 8px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
}
.look :deep(.v-selection-control__input > .v-icon) {
  font-size: 36px;
  opacity: 1;
}
.look :deep(.v-label) {
  flex: 1;
  color: inherit;
  font-size: clamp(19px, 2vw, 26px);
  line-height: 1.35;
  opacity: 1;
}
.ticked {
  color: var(--ink-soft);
}
</style>
