<script setup lang="ts" generic="V extends string | number">
/** One of a list, by the browser's own select: named, in its place on the page, and at home on every device. */
const {
  label,
  hideLabel = false,
  choices,
} = defineProps<{
  label: string
  /** Read out only: its row names it already. */
  hideLabel?: boolean
  choices: readonly { value: V; title: string }[]
}>()
const model = defineModel<V | undefined>({ required: true })
</script>

<template>
  <label class="pick">
    <span :class="hideLabel ? 'hidden-text' : 'name'">{{ label }}</span>
    <select v-model="model">
      <option v-for="{ value, title } in choices" :key="value" :value="value">{{ title }}</option>
    </select>
  </label>
</template>

<style scoped>
.pick {
  position: relative;
  display: block;
  min-width: 0;
}
.name {
  position: absolute;
  top: -8px;
  left: 12px;
  max-width: calc(100% - 24px);
  padding: 0 4px;
  overflow: hidden;
  background: var(--ground);
  color: var(--ink-soft);
  font-size: 12px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
select {
  width: 100%;
  min-height: 40px;
  padding: 0 30px 0 14px;
  border: 1px solid color-mix(in srgb, var(--ink) 35%, transparent);
  border-radius: 4px;
  appearance: none;
  background:
    linear-gradient(45deg, transparent 50%, var(--ink-soft) 50%) right 17px top 50% / 6px 6px no-repeat,
    linear-gradient(-45deg, transparent 50%, var(--ink-soft) 50%) right 11px top 50% / 6px 6px no-repeat;
  color: inherit;
  font: inherit;
  text-overflow: ellipsis;
  cursor: pointer;
}
select:hover {
  border-color: var(--ink);
}
select:focus-visible {
  outline: 3px solid var(--water);
  outline-offset: -2px;
}
option {
  background: var(--ground);
  color: var(--ink);
}
@media (max-width: 719px), (pointer: coarse) {
  /* As high as a line that is typed, with its frame. */
  select {
    min-height: 46px;
  }
}
</style>
