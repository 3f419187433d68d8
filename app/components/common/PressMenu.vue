<script setup lang="ts">
/** A button, and under it the further things that can be done. */
export interface Press {
  text: string
  note?: string | undefined
  disabled?: boolean
  /** It is what holds now. */
  chosen?: boolean
  act: () => void
}
const {
  label,
  presses,
  look = '',
} = defineProps<{
  label: string
  presses: readonly Press[]
  /** A class of the button, where it stands among others that look so. */
  look?: string
}>()
</script>

<template>
  <v-menu :close-on-content-click="true">
    <template #activator="{ props: opens }">
      <v-btn v-bind="opens" :class="look">
        <slot>{{ label }}</slot>
      </v-btn>
    </template>
    <v-list role="menu" :aria-label="label" class="presses">
      <v-list-item
        v-for="one in presses"
        :key="one.text"
        role="menuitem"
        :disabled="one.disabled"
        :active="one.chosen ?? false"
        :title="one.text"
        :subtitle="one.note"
        @click="one.act()"
      />
    </v-list>
  </v-menu>
</template>

<style scoped>
.presses {
  border: 1px solid color-mix(in srgb, var(--ink) 45%, transparent);
  background: var(--ground-raised);
}
.presses :deep(.v-list-item-subtitle) {
  color: var(--ink-soft);
  opacity: 1;
}
/* What cannot be done yet says why, and is read. */
.presses :deep(.v-list-item--disabled) {
  color: var(--ink-soft);
  opacity: 1;
}
</style>
