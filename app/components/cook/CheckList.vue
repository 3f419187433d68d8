<script setup lang="ts">
import { heatsItself } from '~~/core/appliance/appliance'
import { applianceOf } from '~~/core/program/answer'
import { mdiCheck } from '@mdi/js'
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
    <li v-for="{ id, text } in items" :key="id">
      <button
        type="button"
        role="checkbox"
        :aria-checked="ticked.has(id)"
        :class="{ ticked: ticked.has(id) }"
        @click.stop="toggle(id)"
      >
        <span class="box" aria-hidden="true"><v-icon v-if="ticked.has(id)" :icon="mdiCheck" size="26" /></span>
        {{ text }}
      </button>
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
button {
  display: flex;
  align-items: center;
  gap: 16px;
  width: 100%;
  min-height: 56px;
  padding: 8px 14px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: none;
  color: inherit;
  font: inherit;
  font-size: clamp(19px, 2vw, 26px);
  text-align: start;
  cursor: pointer;
}
.ticked {
  color: var(--ink-soft);
}
.box {
  display: grid;
  place-items: center;
  flex: none;
  width: 34px;
  height: 34px;
  border: 2px solid currentcolor;
  border-radius: var(--corner);
}
</style>
