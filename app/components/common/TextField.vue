<script setup lang="ts">
/** A line that is typed; its label may stand in the row that it belongs to, and is then only read out. */
const {
  label,
  hideLabel = false,
  error = null,
} = defineProps<{
  label: string
  hideLabel?: boolean
  /** What is wrong; true where that is said elsewhere. */
  error?: string | boolean | null
}>()
const model = defineModel<string>({ required: true })
</script>

<template>
  <v-text-field
    v-model="model"
    autocomplete="off"
    :label="hideLabel ? undefined : label"
    :aria-label="hideLabel ? label : undefined"
    :error="!!error"
    :error-messages="typeof error === 'string' ? error : undefined"
  />
</template>
