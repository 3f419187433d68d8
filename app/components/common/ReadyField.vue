<script setup lang="ts">
/** “Ready by …”: asks for the hour, which then holds wherever a time is told. */
const { t } = useI18nText()
const { wanted } = useReadyBy()
const asking = ref(false)
const field = useTemplateRef<ComponentPublicInstance & { focus: () => void }>('field')
async function ask() {
  asking.value = true
  await nextTick()
  field.value?.focus()
}
</script>

<template>
  <span class="ready no-print">
    <LinkBtn v-if="!asking && wanted === ''" @click="ask">
      {{ t('pot.times.ask') }}
    </LinkBtn>
    <v-text-field
      v-else
      ref="field"
      v-model="wanted"
      type="time"
      :label="t('pot.times.readyBy')"
      @focusout="asking = wanted !== ''"
    />
  </span>
</template>

<style scoped>
.ready .v-text-field {
  width: 150px;
  margin-top: 8px;
}
</style>
