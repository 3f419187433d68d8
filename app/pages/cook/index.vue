<script setup lang="ts">
const { t } = useI18nText()
const runs = useRunsStore()
watchEffect(() => {
  if (runs.current) void navigateTo(`/cook/${runs.current.id}`, { replace: true })
})
</script>

<template>
  <EmptyNotice v-if="runs.runs" :title="t('cook.none.title')" :text="t('cook.none.text')" />
</template>
