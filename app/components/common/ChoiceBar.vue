<script setup lang="ts" generic="T extends string | boolean">
/** A few choices side by side, of which one holds: radio buttons as one bar. A picture may stand over each, a note under it. */
defineProps<{ label: string; choices: readonly { value: T; text: string; note?: string }[] }>()
defineSlots<{ picture?(props: { value: T }): unknown }>()
const model = defineModel<T>({ required: true })
</script>

<template>
  <v-radio-group
    v-model="model"
    inline
    hide-details
    :aria-label="label"
    :class="['choices', { pictured: $slots.picture }]"
  >
    <v-radio v-for="{ value, text, note } in choices" :key="String(value)" :value="value">
      <template #label>
        <slot name="picture" :value="value" />
        {{ text }}
        <small v-if="note">{{ note }}</small>
      </template>
    </v-radio>
  </v-radio-group>
</template>

<style scoped>
.choices :deep(.v-selection-control-group) {
  gap: 1px;
  overflow: hidden;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: var(--line);
}
.choices :deep(.v-radio) {
  flex: 1 1 auto;
  position: relative;
  min-height: 36px;
  background: var(--ground);
}
/* The whole of a choice is pressed; its circle is the bar itself. */
.choices :deep(.v-selection-control__wrapper) {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  opacity: 0;
  pointer-events: none;
}
.choices :deep(.v-label) {
  display: grid;
  place-items: center;
  align-content: center;
  align-self: stretch;
  width: 100%;
  padding: 4px 7px;
  color: inherit;
  font-size: 14px;
  line-height: 1.2;
  text-align: center;
  white-space: normal;
  overflow-wrap: normal;
  word-break: normal;
  opacity: 1;
  cursor: pointer;
}
.choices small {
  color: var(--heat);
  font-size: 12.5px;
}
.choices :deep(.v-selection-control--dirty) {
  background: var(--ink);
  color: var(--ground);
  font-weight: 700;
}
.choices :deep(.v-radio:focus-within) {
  outline: 3px solid var(--water);
  outline-offset: -3px;
}
.pictured :deep(.v-selection-control-group) {
  flex-wrap: nowrap;
}
.pictured :deep(.v-radio) {
  flex: 1 1 0;
  min-width: 0;
}
.pictured :deep(.v-label) {
  padding: 4px 0;
  font-size: 13px;
}
@media (max-width: 719px), (pointer: coarse) {
  .choices :deep(.v-radio) {
    min-width: 44px;
    min-height: 44px;
  }
}
@media (forced-colors: active) {
  .choices :deep(.v-selection-control--dirty) {
    outline: 2px solid Highlight;
    outline-offset: -2px;
  }
}
</style>
