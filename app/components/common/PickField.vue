<script setup lang="ts" generic="V extends string | number">
/** One of a list; its label may stand in the row that it belongs to, and is then only read out. */
const {
  label,
  hideLabel = false,
  choices,
} = defineProps<{
  label: string
  hideLabel?: boolean
  choices: readonly { value: V; title: string }[]
}>()
const model = defineModel<V | undefined>({ required: true })
</script>

<template>
  <v-select
    v-model="model"
    :items="choices"
    :label="hideLabel ? undefined : label"
    :aria-label="hideLabel ? label : undefined"
  />
</template>
