<script setup lang="ts" generic="T extends string | boolean">
/** A few choices side by side, of which one holds; plain radio buttons underneath. A picture may stand over each. */
defineProps<{ label: string; choices: readonly { value: T; text: string }[] }>()
defineSlots<{ picture?(props: { value: T }): unknown }>()
const model = defineModel<T>({ required: true })
const name = useId()
</script>

<template>
  <fieldset :class="['choices', { pictured: $slots.picture }]">
    <legend class="hidden-text">{{ label }}</legend>
    <label v-for="choice in choices" :key="String(choice.value)" :class="{ chosen: model === choice.value }">
      <input v-model="model" type="radio" class="hidden-text" :name="name" :value="choice.value" />
      <slot name="picture" :value="choice.value" />
      {{ choice.text }}
    </label>
  </fieldset>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  position: relative;
  gap: 1px;
  margin: 0;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: var(--line);
  overflow: hidden;
}
label {
  flex: 1 1 auto;
  display: grid;
  place-items: center;
  align-content: center;
  min-height: 36px;
  padding: 4px 7px;
  background: var(--ground);
  font-size: 14px;
  line-height: 1.2;
  text-align: center;
  cursor: pointer;
}
label.chosen {
  background: var(--ink);
  color: var(--ground);
  font-weight: 700;
}
label:focus-within {
  outline: 3px solid var(--water);
  outline-offset: -3px;
}
.pictured {
  flex-wrap: nowrap;
}
.pictured label {
  flex: 1 1 0;
  min-width: 0;
  padding: 4px 0;
  font-size: 13px;
}
@media (pointer: coarse) {
  label {
    min-height: 44px;
  }
}
@media (max-width: 719px), (pointer: coarse) {
  label {
    min-width: 44px;
    min-height: 44px;
  }
}
</style>
