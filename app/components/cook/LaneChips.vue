<script setup lang="ts">
import type { Lane } from '~/stores/cooking'

/** The other pots on the stove, each with what it wants next. */
defineProps<{ lanes: readonly Lane[] }>()
const { t, clock } = useI18nText()
const { headline } = useCookWords()
</script>

<template>
  <nav v-if="lanes.length > 0" :aria-label="t('cook.lanes.others')" class="chips">
    <NuxtLink
      v-for="{ run, name, action } in lanes"
      :key="run.id"
      :to="`/cook/${run.id}`"
      :class="{ calls: isCall(action) }"
    >
      <strong>{{ name }}</strong> {{ headline(action) }}
      <span v-if="action.dueAt" class="soft">{{ clock(action.dueAt) }}</span>
    </NuxtLink>
  </nav>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
a {
  padding: 4px 12px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  color: inherit;
  font-size: 15px;
  text-decoration: none;
}
.calls {
  border-color: var(--heat);
  box-shadow: inset 0 0 0 1px var(--heat);
}
</style>
