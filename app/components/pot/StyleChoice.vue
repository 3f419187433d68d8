<script setup lang="ts">
/** The ways in which the chosen cooker can cook, where there is more than one. */
const { t } = useI18nText()
const pot = usePotStore()
const styles = computed(() => pot.styleKinds.map((value) => ({ value, text: t(`pot.styles.${value}`) })))
</script>

<template>
  <ChoiceBar
    v-if="styles.length > 1 && pot.styleKind"
    :model-value="pot.styleKind"
    :label="t('pot.answer.title')"
    :choices="styles"
    class="styles"
    @update:model-value="(style) => (pot.styleKind = style)"
  />
</template>

<style scoped>
.styles :deep(.v-radio) {
  flex-basis: 45%;
}
.styles {
  width: 100%;
  margin-bottom: 8px;
}
</style>
