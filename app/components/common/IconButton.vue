<script setup lang="ts">
/** A picture that is pressed; its name is read out, and shown when the pointer rests on it. */
defineProps<{ icon: string; label: string }>()
</script>

<template>
  <button type="button" class="icon-button" :aria-label="label" :title="label">
    <svg viewBox="0 0 24 24" aria-hidden="true"><path :d="icon" /></svg>
  </button>
</template>
