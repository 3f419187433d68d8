<script setup lang="ts">
/** One question of a form: what is asked, what follows from the answer, and where it is answered. */
defineProps<{ label: string | null; hint?: string | null; error?: string | null }>()
</script>

<template>
  <div class="row">
    <p v-if="label !== null" class="head">
      <span class="soft" aria-hidden="true">{{ label }}</span>
      <span v-if="hint && !error" class="hint">{{ hint }}</span>
    </p>
    <slot />
    <p v-if="error" class="error tone-danger" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  gap: 4px;
  min-width: 0;
  padding: 7px 0 9px;
  border-top: 1px solid var(--line);
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  margin: 0;
  font-size: 14px;
}
.hint {
  text-align: end;
}
.error {
  margin: 0;
  font-size: 14px;
}
</style>
