<script setup lang="ts" generic="T extends string">
/** A few choices side by side, of which any number hold; plain check boxes underneath. */
defineProps<{ label: string; choices: readonly { value: T; text: string }[] }>()
const model = defineModel<T[]>({ required: true })
</script>

<template>
  <fieldset class="many">
    <legend class="hidden-text">{{ label }}</legend>
    <label v-for="choice in choices" :key="choice.value" :class="{ chosen: model.includes(choice.value) }">
      <input v-model="model" type="checkbox" class="hidden-text" :value="choice.value" />
      {{ choice.text }}
    </label>
  </fieldset>
</template>

<style scoped>
.many {
  position: relative;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
  padding: 0;
  border: 0;
}
label {
  display: grid;
  place-items: center;
  min-height: 32px;
  padding: 2px 9px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  font-size: 14px;
  cursor: pointer;
}
label.chosen {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--ground);
  font-weight: 700;
}
label:focus-within {
  outline: 3px solid var(--water);
  outline-offset: 1px;
}
@media (max-width: 719px), (pointer: coarse) {
  label {
    min-width: 44px;
    min-height: 44px;
  }
}
</style>
