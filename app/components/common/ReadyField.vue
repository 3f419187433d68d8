<script setup lang="ts">
/** “Ready by …”: asks for the hour, which then holds wherever a time is told. */
const { t } = useI18nText()
const { wanted } = useReadyBy()
const asking = ref(false)
const field = useTemplateRef<HTMLInputElement>('field')
async function ask() {
  asking.value = true
  await nextTick()
  field.value?.focus()
}
</script>

<template>
  <span class="no-print">
    <button v-if="!asking && wanted === ''" type="button" class="link-button" @click="ask">
      {{ t('pot.times.ask') }}
    </button>
    <label v-else>
      {{ t('pot.times.readyBy') }}
      <input ref="field" v-model="wanted" type="time" @blur="asking = wanted !== ''" />
    </label>
  </span>
</template>

<style scoped>
label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
input {
  min-height: 32px;
  padding: 0 6px;
  border: 1px solid color-mix(in srgb, var(--ink) 45%, transparent);
  border-radius: var(--corner);
  background: none;
  color: inherit;
  font: inherit;
  color-scheme: light dark;
}
@media (max-width: 719px), (pointer: coarse) {
  input {
    min-height: 44px;
  }
}
</style>
