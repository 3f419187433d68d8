<script setup lang="ts" generic="T extends string">
/** A few choices side by side, of which any number hold. */
defineProps<{ label: string; choices: readonly { value: T; text: string }[] }>()
const model = defineModel<T[]>({ required: true })
</script>

<template>
  <fieldset class="many">
    <legend class="hidden-text">{{ label }}</legend>
    <v-checkbox v-for="{ value, text } in choices" :key="value" v-model="model" :value="value" :label="text" />
  </fieldset>
</template>

<style scoped>
.many {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  margin: 0;
  padding: 0;
  border: 0;
}
</style>
