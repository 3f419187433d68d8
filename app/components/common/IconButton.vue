<script setup lang="ts">
/** A picture that is pressed; its name is read out, and shown when the pointer rests on it. */
defineProps<{ icon: string; label: string }>()
</script>

<template>
  <v-btn :icon="icon" variant="text" density="comfortable" class="icon-button" :aria-label="label" :title="label" />
</template>
